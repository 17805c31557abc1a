// The process that reads the project for a preview, anew after each change: what it is asked is reported in facts.ts.

import { reasonOf } from 'zesty-lattice/internal/problem';
import { prepareLoading } from '../check/modules.js';
import type { Ask } from './asks.js';
import { readProject } from './catalogue.js';
import type { Catalogue } from './facts.js';
import { problemsIn } from './problems-in.js';
import { shown, shownText } from './shown.js';

// It waits for its turn: what comes first then is done by now.
await prepareLoading();

let project: ReturnType<typeof readProject> | undefined;

async function answer(ask: Ask): Promise<unknown> {
  if (ask.kind === 'catalogue') {
    project ??= readProject(ask.paths);
    const { components, unread } = await project;
    return { components, unread } satisfies Catalogue;
  }
  const read = await project;
  if (!read) return undefined;
  if (ask.kind === 'text') return shownText(read, ask.text);
  if (ask.kind === 'problems') return problemsIn(read, ask.file, ask.text);
  const core = read.known.components.get(ask.component);
  return core && shown(read, core, ask.given);
}

process.on('message', ({ ask, number }: { readonly ask: Ask; readonly number: number }) => {
  answer(ask).then(
    (found) => process.send?.({ number, found: found ?? null }),
    (thrown) =>
      process.send?.({ number, failure: thrown instanceof Error ? thrown.message : String(thrown) }),
  );
});
process.on('disconnect', () => process.exit());
// What a module of the project throws after it was loaded ends nothing here, and is reported without Node's own lines.
for (const event of ['uncaughtException', 'unhandledRejection'] as const)
  process.on(event, (thrown: unknown) => {
    process.stderr.write(
      `zesty-lattice: a module of the project threw after it was loaded: ${reasonOf(thrown)}\n`,
    );
  });
