// npm run demo:server: one page on four servers, streamed while its data comes. `-- --with express` starts one of them.
import { parseArgs } from 'node:util';
import { register } from 'tsx/esm/api';
import { build, install } from './setup.mjs';

install();
build();
const { values } = parseArgs({
  options: { with: { type: 'string' }, port: { type: 'string' }, service: { type: 'string' } },
});
register();
const { names, server, whereFile } = await import('./servers.mjs');
const { createService } = await import('../examples/servers/service.ts');
const { listen } = await import('../examples/servers/listen.ts');

if (values.with && !names.includes(values.with)) {
  console.error(`There is no server "${values.with}": ${names.join(', ')}`);
  process.exit(2);
}
const service = values.service ?? (await listen(createService()));
const { file, remove } = await whereFile(service);
process.on('exit', remove);
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => process.exit());
const first = Number(values.port ?? 0);
const chosen = values.with ? [values.with] : names;
const started = await Promise.all(chosen.map((name, at) => server(name, file, first && first + at)));
console.log('The grove log of Ninefold Orchard:');
for (const [at, { url }] of started.entries()) console.log(`  ${chosen[at].padEnd(8)} ${url}/`);
console.log('Behind each address:');
console.log('  ?ms=1500                 the service is slow, and what it says comes in order');
console.log('  ?ms=1500&order=as-ready  what is slow comes last');
console.log('  ?fail                    the service is down');
console.log('  ?newest=99               what is asked is wrong, and nothing was sent as yet: 400');
console.log('  visit                    a page without loads, with its ETag');
console.log('Stop with Ctrl+C.');
