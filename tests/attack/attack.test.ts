import { expect, test } from 'vitest';
import { runsOf } from '../support/runs.js';
import { attack } from './attack.js';

test('hostile texts at every door do no harm', async () => {
  const { numRuns, seed } = runsOf('attacks at each door', 90);
  const all = await attack(numRuns, seed, () => undefined);
  expect(all.length).toBeGreaterThanOrEqual(14);
  expect(all.flatMap(({ door, harm }) => harm.map((text) => [door, text]))).toEqual([]);
  for (const { door, harmless, refused, tried } of all)
    expect([door, harmless + refused]).toEqual([door, tried]);
});
