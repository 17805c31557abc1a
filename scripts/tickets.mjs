// Writes made-up tickets for the tastings of the open day: node scripts/tickets.mjs 100000 out/tickets.ndjson
import { createWriteStream, mkdirSync } from 'node:fs';
import { dirname } from 'node:path';

const [, , count = '1000', path = 'out/tickets.ndjson'] = process.argv;
const first = [
  'Ama',
  'Bero',
  'Cilla',
  'Doru',
  'Esmé',
  'Fenn',
  'Gilla',
  'Hamo',
  'Ilka',
  'Joss',
  'Kaya',
  'Lorn',
];
const last = ['Weir', 'Pell', 'Marrow', 'Quince', 'Stell', 'Thackle', 'Umber', 'Vane', 'Wick', 'Yarrow'];
const tastings = [
  ['Sharp before sweet', 'Gate barn', '10:30'],
  ['Peels and oils', 'Long table', '11:45'],
  ['Blind tasting of nine', 'Terrace', '13:00'],
  ['Marmalade bench', 'Press house', '15:15'],
];

/** Always the same numbers, so that a second run finds the same rows. */
let seed = 20261128;
const random = () => {
  seed = (Math.imul(seed, 1664525) + 1013904223) >>> 0;
  return seed / 2 ** 32;
};
const one = (list) => list[Math.floor(random() * list.length)];

mkdirSync(dirname(path), { recursive: true });
const file = createWriteStream(path);
for (let n = 1; n <= Number(count); n++) {
  const [tasting, stall, time] = one(tastings);
  const guest = `${one(first)} ${one(last)}`;
  const row = {
    id: `t${String(n).padStart(6, '0')}`,
    guest,
    tasting,
    stall,
    starts: `2026-11-28T${time}:00Z`,
    seat: 1 + Math.floor(random() * 60),
    ...(random() < 0.4 && { guests: 2 + Math.floor(random() * 3) }),
    ...(random() < 0.1 && { waiting: true }),
  };
  if (!file.write(`${JSON.stringify(row)}\n`)) await new Promise((done) => file.once('drain', done));
}
file.end(() => console.log(`${path}: ${Number(count).toLocaleString('en')} tickets`));
