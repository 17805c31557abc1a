// npm run bench:profile [-- a,m] [-- --no-code] [-- --write]: where the time of scenarios goes, by function and without
// what it calls; what V8 does for a function, such as joining texts, and small functions that it puts into others count as
// part of these. With --write the table of bench/results.md is written anew.
import { execFileSync } from 'node:child_process';
import { build, install, root } from '../scripts/setup.mjs';

install();
build();
const { bundleBench } = await import('./html/bundle.mjs');
const { writeTables } = await import('./html/tables.mjs');
await bundleBench(root);
const args = process.argv.slice(2);
const keys = args.find((one) => !one.startsWith('-')) ?? 'all';
const flags = args.includes('--no-code') ? ['--disallow-code-generation-from-strings'] : [];
const printed = execFileSync('node', ['--max-semi-space-size=128', ...flags, 'out/bench/profile.js', keys], {
  cwd: root,
  env: { ...process.env, NODE_ENV: 'production' },
  encoding: 'utf8',
});
const titles = {
  text: 'as text',
  bytes: 'as bytes',
  plain: 'by hand, plainly',
  careful: 'by hand, carefully',
  carefulBytes: 'the same as bytes',
};
const rows = Object.entries(JSON.parse(printed)).flatMap(([key, ways]) =>
  Object.entries(ways).map(([way, parts]) => {
    const most = parts.filter(({ share }) => share >= 0.03).slice(0, 6);
    return `| (${key}) | ${titles[way]} | ${most.map(({ name, share }) => `\`${name}\` ${Math.round(share * 100)} %`).join(', ')} |`;
  }),
);
const table = ['| scenario | way | where the time goes |', '|---|---|---|', ...rows].join('\n');
console.log(table);
if (args.includes('--write')) writeTables(root, { profile: table });
