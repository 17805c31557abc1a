// One process of npm run bench: measures scenarios in turns, and prints what it found as JSON.
import type { Scenario } from './scenario.js';
import { scenarios } from './scenarios.js';
import { makeBusy, waysOf } from './ways.js';

const [only = '', isBusy, seconds = '1'] = process.argv.slice(2);
const wanted = scenarios.filter(({ key }) => only === 'all' || only.split(',').includes(key));

/** What a way of writing costs: milliseconds of the processor and of the clock. */
export interface Cost {
  readonly processor: number;
  readonly wall: number;
  /** Bytes taken from the heap. */
  readonly heap: number;
}

if (isBusy === 'busy') makeBusy(scenarios);

function check(one: Scenario): void {
  const text = one.ours();
  const { bytes } = one;
  for (const [name, other] of [
    ['plain', one.plain ? one.plain() : text],
    ['careful', one.careful ? one.careful() : text],
    ['bytes', bytes ? Buffer.from(bytes()).toString() : text],
  ] as const)
    if (other !== text) {
      const at = [...text].findIndex((_char, n) => text[n] !== other?.[n]);
      throw new Error(
        `${one.name}: ${name} differs:\n${text.slice(at - 40, at + 80)}\n${other?.slice(at - 40, at + 80)}`,
      );
    }
}

const results: Record<string, Record<string, Cost>> = {};
for (const one of wanted) {
  check(one);
  const ways = Object.entries(waysOf(one));
  const costs = new Map<string, Omit<Cost, 'heap'>[]>(ways.map(([name]) => [name, []]));
  const inner = Math.max(1, Math.round(4_000 / one.units));
  for (const [, way] of ways) for (let n = 0; n < 20; n++) way();
  const end = performance.now() + Number(seconds) * 1000 * ways.length;
  let round = 0;
  while (performance.now() < end || round < 8) {
    const order = round % 2 === 0 ? ways : [...ways].reverse();
    for (const [name, way] of order) {
      const before = process.cpuUsage();
      const start = performance.now();
      for (let n = 0; n < inner; n++) way();
      const wall = (performance.now() - start) / inner;
      const { user, system } = process.cpuUsage(before);
      costs.get(name)?.push({ processor: (user + system) / 1000 / inner, wall });
    }
    round++;
  }
  const heaps = new Map(ways.map(([name, way]) => [name, heapOf(way)]));
  results[one.key] = Object.fromEntries(
    [...costs].map(([name, all]) => [
      name,
      {
        processor: median(all.map(({ processor }) => processor)),
        wall: median(all.map(({ wall }) => wall)),
        heap: heaps.get(name) ?? 0,
      },
    ]),
  );
}
console.log(JSON.stringify(results));

/** What one run takes from the heap: with a young generation so large that nothing of it is let go of meanwhile. */
function heapOf(way: () => number): number {
  globalThis.gc?.();
  const before = process.memoryUsage().heapUsed;
  for (let n = 0; n < 10; n++) way();
  return (process.memoryUsage().heapUsed - before) / 10;
}

function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[sorted.length >> 1] ?? 0;
}
