import { existsSync, readFileSync } from 'node:fs';
import { dirname, extname, isAbsolute, relative, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { Places } from 'zesty-lattice/internal/markup';
import {
  type Finding,
  finding,
  type Problem,
  placed,
  placeOf,
  reasonOf,
  type SourcePlace,
} from 'zesty-lattice/internal/problem';

/** A module that could not be loaded, and what is not known without it. */
export interface FailedModule {
  readonly file: string;
  readonly problems: readonly Problem[];
  /** The tags of the components that it would define. */
  readonly tags: readonly string[];
  /** The files of templates that it names. */
  readonly texts: readonly string[];
}

/**
 * What is known of a module that could not be loaded: the line that stopped it, and the components that are missing
 * without it.
 *
 * @param text what the module holds
 */
export function failedModule(thrown: unknown, file: string, text: string): FailedModule {
  const tags = [...text.matchAll(/\bcomponent(?:\.generic(?:<[^>]*>)?\(\))?\(\s*(['"`])([\w.-]+)\1/g)];
  const texts = [...text.matchAll(/(['"`])([^'"`\n]+\.html)\1/g)];
  return {
    file,
    problems: failureProblems(thrown, file),
    tags: tags.map(([, , tag = '']) => tag),
    texts: texts.map(([, , path = '']) => resolve(dirname(file), path)),
  };
}

/** Why a module could not be loaded, at the line that stopped it; the problems of its components where these are wrong. */
export function failureProblems(thrown: unknown, file: string): readonly Problem[] {
  if (isLatticeError(thrown))
    return thrown.problems.map((one) => ({ ...one, source: one.source ?? first(file) }));
  const { hint, reason, source = first(file) } = failureOf(thrown);
  return [placed(finding('module-failed', { reason, hint }, source), '')];
}

/** By its name, since a module may have brought its own copy of the library. */
function isLatticeError(thrown: unknown): thrown is Error & { readonly problems: readonly Problem[] } {
  return thrown instanceof Error && thrown.name === 'LatticeError' && 'problems' in thrown;
}

const first = (file: string): SourcePlace => ({ file, line: 1, column: 1 });

interface Failure {
  readonly reason: string;
  readonly hint: string;
  readonly source?: SourcePlace | undefined;
}

function failureOf(thrown: unknown): Failure {
  const { message = '', stack = '' } = (
    typeof thrown === 'object' && thrown !== null ? thrown : {}
  ) as Partial<Error>;
  return missingImport(message) ?? wrongSyntax(message, stack) ?? whileItRan(thrown, message);
}

/** A package or file that is not there (https://nodejs.org/docs/latest-v20.x/api/errors.html#err_module_not_found). */
function missingImport(message: string): Failure | undefined {
  const [, what, missing = '', importer = ''] =
    /^Cannot find (package|module) '([^']+)' imported from (.+)$/m.exec(message) ??
    /^Cannot find (module) '([^']+)'[\s\S]*?^Require stack:\n- (.+)$/m.exec(message) ??
    [];
  if (what === undefined) return undefined;
  const from = pathIn(importer);
  const missed = pathIn(missing);
  const found = importIn(from, missed);
  const written = found?.specifier ?? missed;
  const isFile = isAbsolute(missed) || written.startsWith('.');
  return {
    reason: `it imports "${written}", which is not there`,
    hint: isFile
      ? 'Write the path of a file that exists, or create the file.'
      : `Install the package: npm install ${packageOf(written)}.`,
    source: found?.place ?? first(from),
  };
}

const pathIn = (written: string): string =>
  written.startsWith('file:') ? fileURLToPath(written) : written.replace(/\?.*$/, '');

const packageOf = (specifier: string): string => /^(?:@[^/]+\/)?[^/]+/.exec(specifier)?.[0] ?? specifier;

/** Where a module imports something by its own words. */
function importIn(
  file: string,
  missing: string,
): { readonly specifier: string; readonly place: SourcePlace } | undefined {
  if (!existsSync(file)) return undefined;
  const text = readFileSync(file, 'utf8');
  const stem = (path: string): string => path.slice(0, path.length - extname(path).length);
  for (const one of text.matchAll(/(?:\bfrom\s*|\bimport\s*\(?\s*|\brequire\s*\(\s*)(['"`])([^'"`\n]+)\1/g)) {
    const specifier = one[2] ?? '';
    const path = specifier.startsWith('.') ? resolve(dirname(file), specifier) : specifier;
    const isIt = path === missing || packageOf(path) === missing || stem(path) === stem(missing);
    if (isIt)
      return { specifier, place: new Places(text, file).at(one.index + one[0].lastIndexOf(specifier)) };
  }
  return undefined;
}

/** What cannot be read as a module, or imports a name that another does not export. */
function wrongSyntax(message: string, stack: string): Failure | undefined {
  const compiled = /^(.+?):(\d+):(\d+): (?:ERROR: )?(.+)$/m.exec(message);
  if (compiled && existsSync(compiled[1] ?? '')) {
    const [, file = '', line, column, reason = ''] = compiled;
    return { reason, hint: 'Correct the code there.', source: at(file, Number(line), Number(column)) };
  }
  const [, url = '', line = '1'] = /^(file:\S+?):(\d+)\n/.exec(stack) ?? [];
  const reason = message.split('\n')[0] ?? '';
  const missing = /does not provide an export named '([^']+)'/.exec(reason)?.[1];
  if (missing === undefined && !/^SyntaxError\b/m.test(stack)) return undefined;
  return {
    reason,
    hint:
      missing === undefined
        ? 'Correct the code there.'
        : `Export ${missing} there, or import a name that it exports; a type is imported with import type.`,
    source: url === '' ? undefined : at(pathIn(url), Number(line), 1),
  };
}

/** A place as a compiler says it, with the lines around it. */
function at(file: string, line: number, column: number): SourcePlace {
  try {
    const places = new Places(readFileSync(file, 'utf8'), file);
    return places.at((places.starts[line - 1] ?? 0) + column - 1);
  } catch {
    return { file, line, column };
  }
}

function whileItRan(thrown: unknown, message: string): Failure {
  const reason = thrown instanceof Error ? (message.split('\n')[0] ?? '') : reasonOf(thrown);
  const missing = /^([\w$]+) is not defined$/.exec(reason)?.[1];
  const isOfPages =
    /^(?:window|document|navigator|location|localStorage|sessionStorage|customElements|HTMLElement|matchMedia)$/;
  const hint =
    missing === undefined
      ? 'Correct it there. What a module does besides defining components belongs into another module.'
      : isOfPages.test(missing)
        ? `There is no ${missing} while modules are loaded: use it in connected or in a handler, which run in the page.`
        : `Import ${missing}, or define it above.`;
  return { reason, hint, source: thrown instanceof Error ? placeOf(thrown) : undefined };
}

/**
 * Problems of a text that needs modules which could not be loaded: what they would define is not reported as unknown, but
 * once for each module as what it is.
 */
export function withoutFailed(
  problems: readonly Problem[],
  failed: readonly FailedModule[],
): readonly Problem[] {
  if (failed.length === 0) return problems;
  const said = new Set<FailedModule>();
  return problems.flatMap((problem) => {
    if (problem.code !== 'component-unknown') return [problem];
    const [, tag = ''] = /"([^"]+)"/.exec(problem.message) ?? [];
    const of = failed.find(({ tags }) => tags.includes(tag));
    if (!of) return [problem];
    if (said.has(of)) return [];
    said.add(of);
    return [{ ...placed(needed(of, problem.source), problem.where) }];
  });
}

/** What is said in a template's text whose module could not be loaded, so that nothing is known of its names. */
export function textOfFailed(file: string, failed: readonly FailedModule[]): readonly Problem[] {
  const of = failed.find(({ texts }) => texts.includes(file));
  return of ? [placed(needed(of, first(file)), '')] : [];
}

function needed({ file, problems }: FailedModule, source: SourcePlace | undefined): Finding {
  const [problem] = problems;
  const at = problem?.source;
  const shown = relative('.', at?.file ?? file);
  return finding(
    'module-failed',
    {
      needed: `${shown}${at && at.line > 1 ? `:${at.line}` : ''}`,
      reason: problem?.message ?? '',
      hint: `Correct ${shown} first: what needs it is not checked until then.`,
    },
    source,
  );
}
