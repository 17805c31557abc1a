import { relative } from 'node:path';
import pc from 'picocolors';
import type { ErrorPayload, ViteDevServer } from 'vite';
import { componentCore, componentsIn } from 'zesty-lattice/internal/component';
import type { Problem } from 'zesty-lattice/internal/problem';
import { componentProblems } from '../check/components.js';
import { frameOf, problemBlock } from '../check/report/text.js';
import { written } from './written.js';

/** How long after the last change it is through: the page has it by then, and does not take the overlay down again. */
const quietFor = 120;

export interface Telling {
  /** A module of components was read. */
  seen(file: string): void;
  /** These files changed, or something that they import. */
  changed(files: readonly string[]): void;
  /** A page was rendered; `look` says what is wrong in it, now and whenever a component changes. */
  page(file: string, look: () => Promise<readonly Problem[]>): void;
  /** A file is gone. */
  forget(file: string): void;
}

/**
 * Tells the problems of the modules of components: in the terminal when they are other ones than before, over the page
 * for as long as there are errors.
 */
export function telling(server: ViteDevServer): Telling {
  const known = new Set<string>();
  const problems = new Map<string, readonly Problem[]>();
  const texts = new Map<string, string>();
  const errors = new Map<string, Problem>();
  const waiting = new Set<string>();
  /** Modules that cannot be parsed: nothing else is shown until they can, as the page cannot load them. */
  const broken = new Map<string, ErrorPayload['err']>();
  const pages = new Map<string, () => Promise<readonly Problem[]>>();
  let changes = 0;
  let timer: NodeJS.Timeout | undefined;
  let running = Promise.resolve();
  let isShown = false;

  const soon = (): void => {
    clearTimeout(timer);
    timer = setTimeout(() => {
      running = running.then(tell).catch((thrown) => server.config.logger.error(String(thrown)));
    }, quietFor);
  };

  const show = (): void => {
    const all = [...errors];
    // A page may be wrong only because a component in it is.
    const inModules = all.filter(([file]) => !pages.has(file));
    const [, error] = (inModules.length > 0 ? inModules : all).at(-1) ?? [];
    const err = [...broken.values()].at(-1) ?? (error && overlayOf(error));
    if (err) server.ws.send({ type: 'error', err });
    isShown = err !== undefined;
  };

  const tell = async (): Promise<void> => {
    const files = [...waiting];
    const before = changes;
    const found = await Promise.all(
      files.map(async (file) => [file, await problemsIn(server, file)] as const),
    );
    // What was seen while something changed may be of before it.
    if (changes !== before) return;
    for (const [file, inFile] of found) {
      waiting.delete(file);
      broken.delete(file);
      if (isProblems(inFile)) problems.set(file, inFile);
      else {
        const unparsed = unparsedOverlay(inFile);
        if (unparsed) broken.set(file, unparsed);
        for (const kept of [problems, texts, errors]) kept.delete(file);
      }
    }
    for (const [file, inFile] of found) if (isProblems(inFile)) note(file, inFile);
    // Pages last: what is wrong in a component is the component's to tell.
    for (const [file, look] of pages) {
      const inPage = await look().catch((): readonly Problem[] => []);
      if (changes !== before) return;
      note(file, inPage);
    }
    // A module that only a page can run is Vite’s to report.
    if (broken.size === 0 && found.some(([, inFile]) => !isProblems(inFile))) return;
    // A page takes the overlay down with every change it takes, whatever that was.
    if (isShown && errors.size + broken.size === 0) server.ws.send({ type: 'update', updates: [] });
    show();
  };

  /** Whether another module is the one to tell a problem: what is wrong in a component is wrong in its uses as well. */
  const isOthers = (problem: Problem, file: string): boolean =>
    [...problems].some(
      ([other, theirs]) =>
        other !== file && theirs.some((one) => isSame(one, problem) && isNearer(one, other, problem, file)),
    );

  const note = (file: string, inFile: readonly Problem[]): void => {
    const own = inFile.filter((problem) => !isOthers(problem, file));
    const error = own.find(({ severity }) => severity === 'error');
    errors.delete(file);
    if (error) errors.set(file, error);
    const text = own.map((problem) => problemBlock(problem, pc)).join('\n\n');
    if (text === (texts.get(file) ?? '')) return;
    texts.set(file, text);
    const { logger, root } = server.config;
    if (text === '') logger.info(pc.green(`${relative(root, file)} is right again`));
    else logger[error ? 'error' : 'warn'](`\n${text}\n`, { timestamp: true });
  };

  // A page that is loaded while something is wrong does not show it yet.
  server.ws.on('connection', show);

  return {
    seen(file) {
      known.add(file);
      waiting.add(file);
      soon();
    },
    changed(files) {
      changes += 1;
      for (const file of files) if (known.has(file)) waiting.add(file);
      soon();
    },
    page(file, look) {
      pages.set(file, look);
      soon();
    },
    forget(file) {
      for (const kept of [known, problems, texts, errors, waiting, broken, pages]) kept.delete(file);
    },
  };
}

function isSame(one: Problem, other: Problem): boolean {
  const placeOf = ({ source }: Problem): unknown => source && [source.file, source.line, source.column];
  return (
    one.code === other.code &&
    one.message === other.message &&
    JSON.stringify(placeOf(one)) === JSON.stringify(placeOf(other))
  );
}

/** Whether the first of two modules with the same problem is the one it is found in. */
function isNearer(one: Problem, file: string, other: Problem, otherFile: string): boolean {
  if (one.where.length !== other.where.length) return one.where.length < other.where.length;
  if (one.source?.file === file || other.source?.file === otherFile) return one.source?.file === file;
  return file < otherFile;
}

/** Returns the problems of a module's components, as Node sees them, or what was thrown where the module cannot be run. */
async function problemsIn(server: ViteDevServer, file: string): Promise<readonly Problem[] | Thrown> {
  try {
    const module = await server.ssrLoadModule(file);
    const found = [...new Set(componentsIn(module).values())].flatMap((component) => {
      const core = componentCore(component);
      return core ? componentProblems(core) : [];
    });
    const folder = file.slice(0, file.lastIndexOf('/'));
    return found
      .filter(({ source }) => source === undefined || source.file.startsWith(folder))
      .map((problem) => written(problem, server));
  } catch (thrown) {
    if (thrown instanceof Error && 'problems' in thrown)
      return (thrown.problems as readonly Problem[]).map((problem) => written(problem, server));
    return { thrown };
  }
}

interface Thrown {
  readonly thrown: unknown;
}

function isProblems(found: readonly Problem[] | Thrown): found is readonly Problem[] {
  return Array.isArray(found);
}

/** Returns the overlay for code that cannot be parsed, which Vite throws with the plugin that read it. */
function unparsedOverlay({ thrown }: Thrown): ErrorPayload['err'] | undefined {
  if (!(thrown instanceof Error) || !('plugin' in thrown)) return undefined;
  const { message, stack = '', plugin, id, frame, loc } = thrown as ErrorPayload['err'];
  return {
    message,
    stack,
    ...(plugin && { plugin }),
    ...(id && { id }),
    ...(frame && { frame }),
    ...(loc && { loc }),
  };
}

/** A problem as Vite's overlay shows it (https://vite.dev/guide/api-plugin, HMR errors). */
function overlayOf({ code, message, hint, where, source }: Problem): ErrorPayload['err'] {
  return {
    message: `${code}: ${message}\n${hint}`,
    stack: where === '' ? '' : `in ${where}`,
    plugin: 'zesty-lattice',
    ...(source && {
      id: source.file,
      loc: { file: source.file, line: source.line, column: source.column },
      // With the signs that Vite knows a frame by.
      frame: frameOf(source).replaceAll('│', '|'),
    }),
  };
}
