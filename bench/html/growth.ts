// The cards of scenario (a) at sizes from 10 to 1,000,000 rows: what a row costs, as text and as bytes.
import { renderBytes, renderHtml } from 'zesty-lattice/html';
import { rowsOf } from './data.js';
import { CardPage, cardsByHand } from './scenarios.js';

const sizes = [10, 100, 1_000, 10_000, 100_000, 1_000_000];
const results = sizes.map((size) => {
  const rows = rowsOf(size);
  const ways = {
    text: () => Buffer.from(renderHtml(CardPage, { rows })).length,
    bytes: () => renderBytes(CardPage, { rows }).length,
    plain: () => Buffer.from(cardsByHand(rows)).length,
  };
  if (ways.text() !== ways.plain() || ways.bytes() !== ways.plain()) throw new Error('They differ.');
  const inner = Math.max(1, Math.round(20_000 / size));
  const rounds = size >= 1_000_000 ? 5 : 15;
  const nanoseconds = Object.entries(ways).map(([name, way]) => {
    for (let n = 0; n < Math.min(inner, 500); n++) way();
    const times: number[] = [];
    for (let round = 0; round < rounds; round++) {
      const before = process.cpuUsage();
      for (let n = 0; n < inner; n++) way();
      const { user } = process.cpuUsage(before);
      times.push((user * 1000) / inner / size);
    }
    times.sort((a, b) => a - b);
    return [name, times[times.length >> 1] ?? 0] as const;
  });
  return { size, ...Object.fromEntries(nanoseconds) };
});
console.log(JSON.stringify(results));
