// npm run same [words of a case's name]: compares the cases, and says how they differ.
// npm run same -- --random 5000 [--seed 1]: the same for random cases.
// npm run same -- --browser firefox (or webkit): in that engine.
import { bundle } from '../support/bundle.js';
import { type EngineName, engineNames, startEngine } from '../support/engines.js';
import { cases } from './cases/index.js';
import type { Difference, Outcome } from './compare.js';
import { sameIn } from './open.js';
import type { RandomOutcome } from './page.js';

const option = (name: string): string | undefined => {
  const at = process.argv.indexOf(name);
  return at < 0 ? undefined : process.argv[at + 1];
};
const engineName = option('--browser') ?? 'chromium';
if (!engineNames.includes(engineName as EngineName)) {
  console.error(`There is no engine "${engineName}": one of ${engineNames.join(', ')}.`);
  process.exit(1);
}
const isRandom = process.argv.includes('--random');
const wanted = process.argv[2]?.startsWith('--') ? '' : (process.argv[2] ?? '');
if (!cases.some(({ name }) => name.includes(wanted))) {
  console.error(`No case has "${wanted}" in its name.`);
  process.exit(1);
}
const engine = await startEngine(engineName as EngineName);
const same = await sameIn(engine, await bundle(new URL('./page.ts', import.meta.url)));
const close = async (): Promise<void> => {
  await engine.close();
  same.close();
};
console.log(`${engine.name} ${engine.version}`);
if (isRandom) {
  const runs = Number(option('--random') ?? 1000);
  const seed = Number(option('--seed') ?? Math.floor(Math.random() * 1e9));
  console.log(`${runs} random cases, seed ${seed}`);
  for (const planning of ['page', 'ahead'] as const) {
    const page = await same.open();
    const { compared, kinds, left, failed } = await page.evaluate<RandomOutcome>(
      `compareRandom(${Math.ceil(runs / 2)}, ${planning === 'page' ? seed : seed + 1}, '${planning}')`,
    );
    console.log(
      `planned ${planning === 'page' ? 'in the page' : 'ahead'}: ${failed ? 'differs' : '0 differences'}`,
    );
    for (const [way, times] of Object.entries(compared))
      console.log(`  ${String(times).padStart(6)}  ${way}`);
    for (const [why, times] of Object.entries(left))
      console.log(`  ${String(times).padStart(6)}  not compared, ${why}`);
    console.log(
      `  made of ${Object.entries(kinds)
        .map(([kind, times]) => `${times} ${kind}`)
        .join(', ')}`,
    );
    if (failed) {
      console.log(failed.description);
      for (const { writing, when, got, wanted: expected } of failed.differences.slice(0, 4))
        console.log(`× ${writing} | ${when}\n  got    ${got}\n  wanted ${expected}`);
      process.exitCode = 1;
    }
  }
  await close();
  process.exit();
}
const compared = new Map<string, number>();
const left = new Map<string, string[]>();
const differences: Difference[] = [];
for (const planning of ['page', 'ahead'] as const) {
  const page = await same.open();
  for (const [at, one] of cases.entries()) {
    if (!one.name.includes(wanted)) continue;
    const outcome = await page
      .evaluate<Outcome>(`compareCase(${at}, '${planning}')`)
      .catch((thrown): Outcome => {
        const got = String(thrown);
        return {
          html: [],
          compared: [],
          left: {},
          differences: [{ name: one.name, writing: `all (${planning})`, when: 0, got, wanted: '' }],
        };
      });
    for (const way of outcome.compared) compared.set(way, (compared.get(way) ?? 0) + 1);
    for (const [way, why] of Object.entries(outcome.left))
      left.set(`${way}: ${why}`, [...(left.get(`${way}: ${why}`) ?? []), one.name]);
    differences.push(...outcome.differences);
  }
}
await close();
const most = Number(/^\d+$/.exec(process.argv[3] ?? '')?.[0] ?? 400);
for (const { name, writing, when, got, wanted: expected } of differences) {
  let from = 0;
  while (from < got.length && got[from] === expected[from]) from++;
  from = Math.max(0, from - 60);
  console.log(
    `× ${name} | ${writing} | ${when}\n    got    ${got.slice(from, from + most)}\n    wanted ${expected.slice(from, from + most)}`,
  );
}
console.log('\ncompared');
for (const [way, times] of compared) {
  const bad = new Set(differences.filter(({ writing }) => writing === way).map(({ name }) => name)).size;
  console.log(`  ${String(times).padStart(5)}  ${way}${bad > 0 ? `  (${bad} differ)` : ''}`);
}
console.log('not compared');
for (const [why, names] of left) console.log(`  ${String(names.length).padStart(5)}  ${why}`);
const counted = (count: number, word: string): string => `${count} ${word}${count === 1 ? '' : 's'}`;
const chosen = cases.filter(({ name }) => name.includes(wanted)).length;
const differing = new Set(differences.map(({ name }) => name)).size;
const outcome =
  differences.length === 0
    ? 'no differences'
    : `${counted(differences.length, 'difference')} in ${counted(differing, 'case')}`;
console.log(`\n${counted(chosen, 'case')}, ${counted(compared.size, 'way')}, ${outcome}`);
process.exitCode = differences.length === 0 ? 0 : 1;
