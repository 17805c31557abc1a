import { readFileSync } from 'node:fs';
import { resolve as resolvePath } from 'node:path';
import { type ComponentCore, componentCore, componentsIn } from 'zesty-lattice/internal/component';
import { isDocument } from 'zesty-lattice/internal/markup';
import { type Problem, problemText } from 'zesty-lattice/internal/problem';
import { resolve } from 'zesty-lattice/internal/tree';
import { isSampleFile, moduleSamples, textSamples } from '../samples/index.js';
import { withAllowances } from './allowed.js';
import { componentProblems, unusedComponents } from './components.js';
import { type FailedModule, failedModule, textOfFailed, withoutFailed } from './failed.js';
import { type CheckedFile, filesIn, namesLibrary } from './files.js';
import { type LinkedPage, linkProblems } from './links.js';
import { documentProblems, templateProblems } from './markup.js';
import { loadModule, madeComponents } from './modules.js';
import { unregisteredProviders } from './registered.js';
import { readSettings, type Settings, withSettings } from './settings.js';
import { typeProblems } from './types.js';

/** Options of `check`. */
export interface CheckOptions {
  /** Called for each checked file, with the number of checked files and of all files. */
  readonly progress?: (done: number, all: number) => void;
  /** Settings to use instead of the nearest `lattice.json`. */
  readonly settings?: Settings;
  /** Checks values that HTML templates pass to props against their kinds (default: `false`). */
  readonly types?: boolean;
  /** A template text or document to check beside the files, as `stdin.html` of the working folder. */
  readonly input?: string;
}

/** What a check found. */
export interface CheckReport {
  readonly files: readonly string[];
  /** How many components the modules export. */
  readonly components: number;
  /** By file and line. */
  readonly problems: readonly Problem[];
  /** In milliseconds. */
  readonly took: number;
}

interface Known {
  readonly file: string;
  readonly exportName: string;
}

/**
 * Checks components in modules, template texts and documents.
 *
 * @param paths files and folders; of folders all `.ts`, `.js` and `.html` files below them, save for `node_modules`,
 * `dist` and tests
 * @throws Error for a path that is not there, or a `lattice.json` that cannot be read
 * @example
 * const { problems } = await check(['src']);
 */
export async function check(paths: readonly string[], options: CheckOptions = {}): Promise<CheckReport> {
  const start = performance.now();
  const settings = options.settings ?? readSettings(paths[0] ?? '.');
  const types = options.types ?? settings.types ?? false;
  const found = await filesIn(paths, settings.ignore);
  const input: CheckedFile = { path: resolvePath('stdin.html'), kind: 'markup' };
  const files = options.input === undefined ? found : [...found, input];
  const problems: Problem[] = [];
  const failed: FailedModule[] = [];
  const texts = new Map<string, string>();
  const components = new Map<ComponentCore, Known>();
  let done = 0;
  const step = (): void => options.progress?.(++done, files.length);
  for (const file of files)
    texts.set(file.path, file === input ? (options.input ?? '') : readFileSync(file.path, 'utf8'));
  for (const file of files.filter(({ kind }) => kind === 'module')) {
    problems.push(...(await gather(file, texts.get(file.path) ?? '', components, failed)));
    step();
  }
  problems.push(...failed.flatMap((one) => one.problems));
  // Components of others are there to be used: what is wrong in them is for those who write them.
  const others = new Map<ComponentCore, Known>();
  for (const file of settings.components ? await filesIn(settings.components, settings.ignore) : [])
    if (file.kind === 'module' && !texts.has(file.path))
      await gather(file, readFileSync(file.path, 'utf8'), others, failed);
  for (const [core, { exportName }] of components) {
    problems.push(...componentProblems(core, exportName === 'default'));
    if (types) problems.push(...typeProblems(core));
  }
  // What a module keeps to itself is in the page all the same.
  const checked = new Set(files.map(({ path }) => path));
  for (const core of madeComponents)
    if (!components.has(core) && core.source && checked.has(core.source.file))
      problems.push(...componentProblems(core));
  // A component with a sample is there for others to use.
  problems.push(...unusedComponents(components, texts));
  problems.push(...unregisteredProviders(components, texts.values()));
  const byTag = new Map([...others.keys(), ...components.keys()].map((core) => [core.name, core]));
  const templates = new Set([...byTag.values()].map(templateFile));
  const pages = new Map<string, LinkedPage>();
  for (const { path, kind } of files) {
    if (kind !== 'markup') continue;
    const text = texts.get(path) ?? '';
    const found: Problem[] = [];
    if (isSampleFile(path))
      for (const { alone } of textSamples(text, path))
        found.push(...documentProblems(alone, path, byTag, settings.foreign, !isDocument(text)));
    else if (isDocument(text)) {
      const see = (page: LinkedPage): void => void pages.set(path, page);
      found.push(...documentProblems(text, path, byTag, settings.foreign, false, see));
    } else if (!templates.has(path)) {
      found.push(...textOfFailed(path, failed));
      found.push(...templateProblems(text, path, byTag, settings.foreign));
    }
    problems.push(...withoutFailed(found, failed));
    step();
    // Other work, such as drawing how far it is, gets its turn.
    if (done % 50 === 0) await new Promise((turn) => setImmediate(turn));
  }
  problems.push(...linkProblems(pages));
  return {
    files: files.map(({ path }) => path),
    components: components.size,
    problems: sorted(withSettings(withAllowances(withoutRepeats(problems), texts, true), settings)),
    took: performance.now() - start,
  };
}

/** Loads a module that names the library, and notes the components it exports. */
async function gather(
  file: CheckedFile,
  text: string,
  components: Map<ComponentCore, Known>,
  failed: FailedModule[],
): Promise<readonly Problem[]> {
  if (!namesLibrary(text) && !isSampleFile(file.path)) return [];
  try {
    const exported = await loadModule(file.path);
    for (const [exportName, component] of componentsIn(exported)) {
      const core = componentCore(component);
      if (!core) continue;
      const known = components.get(core);
      // The place where it is defined counts, not one that passes it on; and "default" beside a name of its own.
      if (known && core.source?.file !== file.path) continue;
      if (known?.exportName === 'default') continue;
      components.set(core, { file: core.source?.file ?? file.path, exportName });
    }
    if (!isSampleFile(file.path)) return [];
    return moduleSamples(exported).flatMap(({ use }) => resolve(use).problems);
  } catch (thrown) {
    failed.push(failedModule(thrown, file.path, text));
    return [];
  }
}

function templateFile({ template }: ComponentCore): string | undefined {
  return typeof template === 'function' ? undefined : template.file;
}

/** Each problem once: a component that others use is found wrong in each of them. */
function withoutRepeats(problems: readonly Problem[]): readonly Problem[] {
  const known = new Map<string, Problem>();
  for (const problem of problems) {
    const { source } = problem;
    const key = source
      ? `${problem.code} ${problem.message} ${source.file}:${source.line}:${source.column}`
      : problemText(problem);
    const before = known.get(key);
    if (!before || problem.where.length < before.where.length) known.set(key, problem);
  }
  return [...known.values()];
}

function sorted(problems: readonly Problem[]): readonly Problem[] {
  const key = ({ source }: Problem): string => source?.file ?? '';
  return [...problems].sort(
    (a, b) =>
      (key(a) < key(b) ? -1 : key(a) > key(b) ? 1 : 0) ||
      (a.source?.line ?? 0) - (b.source?.line ?? 0) ||
      (a.source?.column ?? 0) - (b.source?.column ?? 0),
  );
}
