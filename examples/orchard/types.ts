/** One citrus variety on the stalls. Prices are in cents a crate. */
export interface Variety {
  readonly id: string;
  readonly name: string;
  readonly type: string;
  readonly season: 'early' | 'late';
  readonly peel: string;
  readonly flesh: string;
  readonly taste: string;
  readonly crates: number;
  readonly cents: number;
  readonly sweetness: number;
  readonly rare: boolean;
  readonly stall: string;
  readonly badge?: string;
  readonly tasting?: string;
}

export interface Tasting {
  readonly time: string;
  readonly title: string;
  readonly stall: string;
  readonly host: string;
  readonly seats: number;
  readonly taken: number;
  readonly pours: readonly string[];
}

export interface Notice {
  readonly tone: 'info' | 'warning' | 'good';
  readonly title: string;
  readonly text: string;
}

export interface Shift {
  readonly time: string;
  readonly task: string;
  readonly needed: number;
  readonly names: readonly string[];
}

export interface LogEntry {
  readonly date: string;
  readonly grove: string;
  readonly text: string;
}

export interface Link {
  readonly label: string;
  readonly href: string;
}
