// One process of npm run bench:profile: where the time of scenarios goes in a busy process, as JSON.
import { Session } from 'node:inspector/promises';
import { scenarios } from './scenarios.js';
import { makeBusy, waysOf } from './ways.js';

const [only = 'all', seconds = '1'] = process.argv.slice(2);

/** What a function takes of a way's time by itself, from 0 to 1. */
export interface Part {
  readonly name: string;
  readonly share: number;
}

/** What is the profiler's own, or nobody's. */
const ofProfiler = /^(?:\(program\)|\(idle\)|dispatch|profiled|now|get)$/;

const session = new Session();
session.connect();
await session.post('Profiler.enable');
await session.post('Profiler.setSamplingInterval', { interval: 200 });
makeBusy(scenarios);
const results: Record<string, Record<string, readonly Part[]>> = {};
for (const one of scenarios) {
  if (only !== 'all' && !only.split(',').includes(one.key)) continue;
  const found: Record<string, readonly Part[]> = {};
  results[one.key] = found;
  for (const [name, way] of Object.entries(waysOf(one))) found[name] = await profiled(way);
}
console.log(JSON.stringify(results));

interface CallFrame {
  readonly functionName: string;
  readonly url: string;
}

/** Node's own function that turns text into bytes has neither a name nor a module; many others have no name. */
function nameOf({ functionName, url }: CallFrame): string {
  if (functionName !== '') return functionName.replace('(garbage collector)', 'the collector');
  return url === '' ? 'Buffer.from' : 'functions without a name';
}

async function profiled(way: () => number): Promise<readonly Part[]> {
  for (let n = 0; n < 20; n++) way();
  await session.post('Profiler.start');
  const end = performance.now() + Number(seconds) * 1000;
  while (performance.now() < end) way();
  const { profile } = await session.post('Profiler.stop');
  const { nodes, samples = [], timeDeltas = [] } = profile;
  const names = new Map(nodes.map(({ callFrame, id }) => [id, nameOf(callFrame)]));
  const times = new Map<string, number>();
  let all = 0;
  for (const [at, id] of samples.entries()) {
    const name = names.get(id) ?? '';
    if (ofProfiler.test(name)) continue;
    const time = timeDeltas[at] ?? 0;
    times.set(name, (times.get(name) ?? 0) + time);
    all += time;
  }
  return [...times]
    .map(([name, time]) => ({ name, share: time / all }))
    .sort((one, other) => other.share - one.share)
    .slice(0, 8);
}
