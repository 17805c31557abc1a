import { readFileSync } from 'node:fs';
import { basename, relative } from 'node:path';
import { parseExpression } from '@babel/parser';
import {
  type ComponentCore,
  componentCore,
  componentsIn,
  stateNames,
} from 'zesty-lattice/internal/component';
import type { Catalog } from 'zesty-lattice/internal/markup';
import { isInteractive } from 'zesty-lattice/internal/plan';
import { LatticeError } from 'zesty-lattice/internal/problem';
import { componentProblems } from '../check/components.js';
import { failedModule } from '../check/failed.js';
import { filesIn, namesLibrary } from '../check/files.js';
import { loadModule } from '../check/modules.js';
import { readSettings } from '../check/settings.js';
import { aboutOf } from '../describe/described.js';
import { isSampleFile, moduleSamples, textSamples } from '../samples/index.js';
import type { ComponentFacts, SampleFacts, UnreadFile } from './facts.js';
import { fieldFacts, slotFacts } from './field-facts.js';
import type { Exported } from './use-code.js';
import { givenIn, givenTo, useText } from './use-text.js';

/** A project as it is read: what its page receives, and what is needed to show a component. */
export interface ReadProject {
  readonly components: readonly ComponentFacts[];
  readonly unread: readonly UnreadFile[];
  readonly exported: ReadonlyMap<string, Exported>;
  readonly known: Catalog;
}

/**
 * Reads the components and samples below paths. A module that cannot be loaded is reported, and the others are there.
 *
 * @throws MissingPath for a path that is not there
 */
export async function readProject(paths: readonly string[]): Promise<ReadProject> {
  const { components: others = [], foreign, ignore } = readSettings(paths[0] ?? '.');
  const files = (await filesIn([...paths, ...others], ignore)).map(({ path }) => path);
  const exported = new Map<string, Exported & { readonly file: string }>();
  const unread: UnreadFile[] = [];
  const tried = async <T>(file: string, read: () => Promise<T> | T): Promise<T | undefined> => {
    try {
      return await read();
    } catch (thrown) {
      const shown = { file: relative('.', file), message: wordsOf(thrown) };
      const isPart = file.endsWith('.html') || isSampleFile(file);
      unread.push(
        isPart ? shown : { ...shown, failed: failedModule(thrown, file, readFileSync(file, 'utf8')) },
      );
      return undefined;
    }
  };
  for (const file of files) {
    if (file.endsWith('.html') || isSampleFile(file) || !namesLibrary(readFileSync(file, 'utf8'))) continue;
    const loaded = await tried(file, () => loadModule(file));
    for (const [exportName, component] of componentsIn(loaded ?? {})) {
      const core = componentCore(component);
      // An index hands components on: the module that makes one is the one to name.
      if (core && (!exported.has(core.name) || core.source?.file === file))
        exported.set(core.name, { core, exportName, file });
    }
  }
  const cores = new Map([...exported].map(([name, { core }]) => [name, core]));
  const samples = new Map<string, SampleFacts[]>();
  for (const file of files.filter(isSampleFile)) {
    const group = basename(file).replace(/\.sample\.\w+$/, '');
    const found = await tried(file, () => samplesIn(file, group, cores));
    for (const [name, sample] of found ?? []) samples.set(name, [...(samples.get(name) ?? []), sample]);
  }
  const components = [...exported.values()]
    .map((one) => facts(one, samples.get(one.core.name) ?? []))
    .sort((one, other) => one.name.localeCompare(other.name));
  return { components, unread, exported, known: { components: cores, foreign } };
}

function wordsOf(thrown: unknown): string {
  if (thrown instanceof LatticeError) return thrown.message;
  return thrown instanceof Error ? `${thrown.name}: ${thrown.message}` : String(thrown);
}

function facts(
  { core, exportName, file }: Exported & { readonly file: string },
  samples: readonly SampleFacts[],
): ComponentFacts {
  return {
    name: core.name,
    exportName,
    file,
    shown: relative('.', file),
    line: core.source?.line ?? 1,
    description: aboutOf(core),
    placement: { names: core.placement?.names ?? [], parents: core.placement?.parents ?? null },
    isLive: isInteractive(core),
    props: core.props.names.flatMap((name, index) => {
      const kind = core.props.kinds[index];
      return kind ? [fieldFacts(name, kind)] : [];
    }),
    slots: slotFacts(core),
    events: Object.entries(core.events).map(([name, { description = '' }]) => ({ name, description })),
    text: textFacts(core),
    samples,
    problems: componentProblems(core, exportName === 'default'),
  };
}

function textFacts(core: ComponentCore): ComponentFacts['text'] {
  const { handlers, helpers, template, uses } = core;
  return {
    file: (typeof template === 'object' && template.file) || '',
    state: stateNames(core) ?? [],
    handlers: Object.keys(handlers),
    helpers: Object.keys(helpers),
    uses: uses.map(({ name }) => name),
    takes: Object.fromEntries([
      ...Object.entries(helpers).map(([name, helper]) => [name, parametersOf(helper)]),
      // What the component gives every handler comes first.
      ...Object.entries(handlers).map(([name, handler]) => [name, parametersOf(handler).slice(1)]),
    ]),
  };
}

/** The parameters of a function, as its own text has them (https://tc39.es/ecma262/#sec-function.prototype.tostring). */
function parametersOf(given: unknown): readonly string[] {
  if (typeof given !== 'function') return [];
  const text = String(given);
  for (const written of [`(${text})`, `({${text}})`])
    try {
      const expression = parseExpression(written);
      const made = expression.type === 'ObjectExpression' ? expression.properties[0] : expression;
      if (!made || !('params' in made)) return [];
      return made.params.map(({ end, start }) =>
        written.slice(start ?? 0, end ?? 0).replace(/\s*=\s*/, ' = '),
      );
    } catch {
      // One is a function, the other a method of a record.
    }
  return [];
}

/** The samples of a file, each with the component that it belongs to: the one it uses, else the one the file names. */
async function samplesIn(
  file: string,
  group: string,
  cores: ReadonlyMap<string, ComponentCore>,
): Promise<readonly (readonly [string, SampleFacts])[]> {
  if (file.endsWith('.html'))
    return textSamples(readFileSync(file, 'utf8'), file).map(({ name, text }) => {
      // One that shows it in what it may stand in is of the component that the file is named after.
      if (cores.has(group) && !text.startsWith(`<${group}`) && text.includes(`<${group}`))
        return [group, { name, text, given: null }];
      const found = givenIn(text, cores);
      return [found?.component.name ?? group, { name, text, given: found?.given ?? null }];
    });
  return moduleSamples(await loadModule(file)).map(({ name, use }) => {
    const given = givenTo(use);
    const core = cores.get(use.component.name) ?? use.component;
    return [core.name, { name, given: given ?? null, text: given ? useText(core, given) : '' }];
  });
}
