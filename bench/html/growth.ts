// The cards of scenario (a) at sizes from 10 to 1,000,000 rows: what a row costs, as text, as bytes and streamed.
import { renderBytes, renderHtml, streamHtml } from 'zesty-lattice/html';
import { rowsOf } from './data.js';
import { CardPage, cardsByHand } from './scenarios.js';

const sizes = [10, 100, 1_000, 10_000, 100_000, 1_000_000];
const results: object[] = [];
for (const size of sizes) {
  const rows = rowsOf(size);
  const ways: Readonly<Record<string, () => number | Promise<number>>> = {
    text: () => Buffer.from(renderHtml(CardPage, { rows })).length,
    bytes: () => renderBytes(CardPage, { rows }).length,
    streamed: () => lengthOf(streamHtml(CardPage, { rows })),
    plain: () => Buffer.from(cardsByHand(rows)).length,
  };
  const lengths = await Promise.all(Object.values(ways).map((way) => way()));
  if (new Set(lengths).size > 1) throw new Error(`They differ: ${lengths}`);
  const inner = Math.max(1, Math.round(20_000 / size));
  const rounds = size >= 1_000_000 ? 5 : 15;
  const costs: Record<string, number> = {};
  for (const [name, way] of Object.entries(ways)) {
    for (let n = 0; n < Math.min(inner, 500); n++) await way();
    const times: number[] = [];
    for (let round = 0; round < rounds; round++) {
      const before = process.cpuUsage();
      for (let n = 0; n < inner; n++) {
        const length = way();
        // Who does not stream does not wait.
        if (typeof length !== 'number') await length;
      }
      const { user } = process.cpuUsage(before);
      times.push((user * 1000) / inner / size);
    }
    times.sort((a, b) => a - b);
    costs[name] = times[times.length >> 1] ?? 0;
  }
  results.push({ size, ...costs });
}
console.log(JSON.stringify(results));

async function lengthOf(stream: ReadableStream<Uint8Array>): Promise<number> {
  const reader = stream.getReader();
  let length = 0;
  for (let part = await reader.read(); !part.done; part = await reader.read()) length += part.value.length;
  return length;
}
