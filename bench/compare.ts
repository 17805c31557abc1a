interface Pair {
  readonly ours: () => string;
  readonly byHand: () => string;
}

/** Runs two ways of making the same text in turns, and prints the medians and their ratio. */
export function compare(name: string, units: number, { ours, byHand }: Pair): void {
  if (ours() !== byHand()) throw new Error(`${name}: the two texts differ`);
  const times: { ours: number[]; byHand: number[] } = { ours: [], byHand: [] };
  const inner = Math.max(1, Math.round(2_000 / units));
  const deadline = performance.now() + 2_500;
  for (let round = 0; round < 400 && (round < 12 || performance.now() < deadline); round++) {
    const first = round % 2 === 0;
    const order = first ? ([ours, byHand] as const) : ([byHand, ours] as const);
    const spent = order.map((work) => timed(work, inner));
    times.ours.push(spent[first ? 0 : 1] ?? 0);
    times.byHand.push(spent[first ? 1 : 0] ?? 0);
  }
  const [a, b] = [median(times.ours.slice(4)), median(times.byHand.slice(4))];
  const each = (ms: number): string => `${((ms * 1e6) / units).toFixed(1)} ns`;
  console.log(`${name.padEnd(56)} ratio ${(a / b).toFixed(2)}   ours ${each(a)}, by hand ${each(b)} a row`);
}

function timed(work: () => string, times: number): number {
  const start = performance.now();
  for (let n = 0; n < times; n++) work();
  return (performance.now() - start) / times;
}

function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[sorted.length >> 1] ?? 0;
}
