export interface Row {
  readonly name: string;
  readonly season: 'early' | 'late';
  readonly crates: number;
  readonly rare: boolean;
  readonly taste: string;
}

const tastes = ['Thin skin, sharp.', 'Sweet & mild', 'Bitter peel, honeyed flesh', 'Bright as a bell'];

export const rowsOf = (count: number): Row[] =>
  Array.from({ length: count }, (_, n) => ({
    name: `Variety ${n}`,
    season: n % 3 === 0 ? 'late' : 'early',
    crates: (n * 7) % 31,
    rare: n % 11 === 0,
    taste: tastes[n % 4] ?? '',
  }));

export interface Grove {
  readonly name: string;
  readonly isOpen: boolean;
  readonly stalls: readonly { readonly name: string; readonly tags: readonly string[] }[];
}

export const groves: Grove[] = Array.from({ length: 200 }, (_, n) => ({
  name: `Grove ${n}`,
  isOpen: n % 3 !== 0,
  stalls: Array.from({ length: n % 4 }, (_unused, at) => ({
    name: `Stall ${at} & co`,
    tags: ['sweet', 'sharp', 'bitter'].slice(0, at % 4),
  })),
}));

export interface Branch {
  readonly name: string;
  readonly fruit: number;
  readonly branches: readonly Branch[];
}

export function branch(depth: number, name = 'Trunk'): Branch {
  const count = depth === 0 ? 0 : 3;
  return {
    name,
    fruit: depth * 3,
    branches: Array.from({ length: count }, (_, n) => branch(depth - 1, `Branch ${depth}.${n}`)),
  };
}

const words = ['Dunlight', 'peel <thin>', 'honey & rind', 'Ünder trees', '柑橘', 'plain text of a grove log'];
export const notes: readonly string[] = Array.from({ length: 400 }, (_, n) => {
  const word = words[n % words.length] ?? '';
  return n % 5 === 0 ? Array.from({ length: 12 }, () => `${word} ${n}`).join(', ') : `${word} ${n}`;
});

export interface Field {
  readonly name: string;
  readonly label: string;
  readonly hint: string;
  readonly type: 'text' | 'number';
  readonly needed: boolean;
  readonly max: number;
}

export const fields: Field[] = Array.from({ length: 300 }, (_, n) => ({
  name: `field-${n}`,
  label: `Shift ${n}`,
  hint: n % 2 === 0 ? 'Say when you can help' : 'Crates & baskets',
  type: n % 3 === 0 ? 'number' : 'text',
  needed: n % 4 === 0,
  max: 10 + n,
}));
