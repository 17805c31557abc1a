// Prints, for each door, how many hostile texts were tried, refused, rendered harmless, and how many did harm.
import { attack } from './attack.js';

const [each = 4_000, seed = 20261127] = process.argv.slice(2).map(Number);
console.log(`door                                      tried  refused harmless   harm   (seed ${seed})`);
const all = await attack(each, seed, ({ door, harm, harmless, refused, tried }) => {
  const numbers = [tried, refused, harmless, harm.length].map((one) => one.toLocaleString('en').padStart(8));
  console.log(`${door.padEnd(38)} ${numbers.join(' ')}`);
  for (const text of harm.slice(0, 5)) console.log(`    ${JSON.stringify(text)}`);
});
const sum = (of: (one: (typeof all)[number]) => number): number =>
  all.reduce((total, one) => total + of(one), 0);
const harm = sum((one) => one.harm.length);
console.log(`${sum((one) => one.tried).toLocaleString('en')} texts at ${all.length} doors: ${harm} did harm`);
if (harm > 0) process.exitCode = 1;
process.exit();
