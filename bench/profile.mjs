// npm run bench:profile [-- a,m] [-- --no-code]: where the time of scenarios goes, by function and without what it
// calls; small functions count as part of what they are put into.
import { execFileSync } from 'node:child_process';
import { build, install, root } from '../scripts/setup.mjs';

install();
build();
const { bundleBench } = await import('./html/bundle.mjs');
await bundleBench(root);
const args = process.argv.slice(2);
const keys = args.find((one) => !one.startsWith('-')) ?? 'all';
const flags = args.includes('--no-code') ? ['--disallow-code-generation-from-strings'] : [];
const printed = execFileSync('node', [...flags, 'out/bench/profile.js', keys], {
  cwd: root,
  env: { ...process.env, NODE_ENV: 'production' },
  encoding: 'utf8',
});
for (const [key, ways] of Object.entries(JSON.parse(printed))) {
  for (const [way, parts] of Object.entries(ways)) {
    const shown = parts
      .filter(({ share }) => share >= 0.02)
      .map(({ name, share }) => `${name} ${Math.round(share * 100)} %`);
    console.log(`(${key}) ${way}: ${shown.join(', ')}`);
  }
}
