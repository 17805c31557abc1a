// npm run bench:markup: the same page with its templates as HTML text and as functions, in turns.
import { readFileSync } from 'node:fs';
import { renderHtml } from 'zesty-lattice/html';
import { VarietyList } from '../examples/orchard/components/variety-list.js';
import { VarietyList as InHtml } from '../examples/orchard/in-html/fair-page.js';
import type { Variety } from '../examples/orchard/types.js';

const { varieties } = JSON.parse(
  readFileSync(new URL('../examples/orchard/open-day.json', import.meta.url), 'utf8'),
) as { varieties: readonly Variety[] };

const median = (times: number[]): number => times.sort((a, b) => a - b)[times.length >> 1] ?? 0;

console.log(
  'Cards in a list, templates as HTML text against templates as functions, median of 31 runs in turns',
);
for (const rows of [10, 100, 1000, 10_000]) {
  const items = Array.from(
    { length: rows },
    (_, n) => ({ ...varieties[n % varieties.length], id: `${n}` }) as Variety,
  );
  const ways = {
    text: () => renderHtml(InHtml, { items }),
    functions: () => renderHtml(VarietyList, { items }),
  };
  if (ways.text() !== ways.functions()) throw new Error('The two do not give the same.');
  const times = { text: [] as number[], functions: [] as number[] };
  const rounds = rows > 1000 ? 11 : 31;
  for (let run = 0; run < rounds + 5; run++) {
    for (const way of ['text', 'functions'] as const) {
      const start = performance.now();
      for (let n = 0; n < Math.max(1, 1000 / rows); n++) ways[way]();
      if (run >= 5) times[way].push(performance.now() - start);
    }
  }
  const [text, functions] = [median(times.text), median(times.functions)];
  console.log(`${String(rows).padStart(6)} rows: ratio ${(text / functions).toFixed(2)}`);
}
