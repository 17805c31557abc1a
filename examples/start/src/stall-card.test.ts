import { expect, test } from 'vitest';
import { resolve } from 'zesty-lattice';
import { readableHtml, samplesOf } from 'zesty-lattice-tools/testing';
import { FairBoard, StallCard } from './components.js';

test('a board shows its stalls', () => {
  const board = FairBoard(
    { title: 'Today' },
    StallCard({ name: 'North gate', fruit: 'Dunlight', opens: '9:00' }),
  );
  expect(resolve(board).problems).toEqual([]);
  expect(readableHtml(board)).toContain('<p class="when">North gate, from 9:00</p>');
});

test('the samples of the stall card are right', async () => {
  const samples = await samplesOf(StallCard, { uses: [FairBoard] });
  expect(samples).toHaveLength(2);
  for (const { name, problems } of samples) expect(problems, name).toEqual([]);
});
