import { existsSync, readFileSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import {
  nearest,
  type Problem,
  type ProblemCode,
  type Severity,
  words,
} from 'zesty-lattice/internal/problem';
import { isRecord } from 'zesty-lattice/internal/template';

const codes = Object.keys(words) as readonly ProblemCode[];

/** How a project wants to be checked: what `lattice.json` says, beside its `package.json`. */
export interface Settings {
  /** How grave each code is, where it differs from its own. */
  readonly severity: Readonly<Partial<Record<ProblemCode, Severity | 'off'>>>;
  /** Tags of custom elements from elsewhere. */
  readonly foreign: readonly string[];
  /** Paths that are not checked, as glob patterns. */
  readonly ignore: readonly string[];
  /** The project's files and folders, for commands that are given none; whole paths. */
  readonly paths?: readonly string[];
  /** A CSS file for the whole page, in previews, pictures and pages; a whole path. */
  readonly css?: string;
  /** Whether values that HTML templates pass to props are checked. */
  readonly types?: boolean;
  /** Files and folders whose components may stand in the project's texts, besides its own; whole paths. */
  readonly components?: readonly string[];
}

const noSettings: Settings = { severity: {}, foreign: [], ignore: [] };

/** A settings file that says something nobody can carry out; the message says what. */
export class SettingsError extends Error {}

/** Reads the nearest `lattice.json`, from a file or folder upwards; without one, nothing is set. */
export function readSettings(from: string): Settings {
  for (let folder = resolve(from); ; folder = dirname(folder)) {
    const path = join(folder, 'lattice.json');
    if (existsSync(path)) return settingsIn(readFileSync(path, 'utf8'), path);
    if (dirname(folder) === folder) return noSettings;
  }
}

function settingsIn(text: string, path: string): Settings {
  let read: unknown;
  try {
    read = JSON.parse(text);
  } catch (thrown) {
    throw new SettingsError(`${path} is no JSON: ${(thrown as Error).message}`);
  }
  if (!isRecord(read)) {
    throw new SettingsError(`${path} holds no record. Write { "severity": { … } }.`);
  }
  const { severity = {}, foreign = [], ignore = [], paths, css, types, components, ...others } = read;
  const [unknown] = Object.keys(others);
  if (unknown !== undefined) {
    const near = nearest(unknown, names);
    throw new SettingsError(
      `${path} sets "${unknown}". ${near ? `Did you mean "${near}"?` : `It can set ${names.slice(0, -1).join(', ')} and ${names.at(-1)}.`}`,
    );
  }
  if (css !== undefined && typeof css !== 'string')
    throw new SettingsError(`${path} sets css to something other than the path of a file.`);
  if (types !== undefined && typeof types !== 'boolean')
    throw new SettingsError(`${path} sets types to something other than true or false.`);
  return {
    severity: severities(severity, path),
    foreign: texts(foreign, 'foreign', path),
    ignore: texts(ignore, 'ignore', path),
    ...(paths !== undefined && { paths: there(paths, 'paths', path) }),
    ...(css !== undefined && { css: there([css], 'css', path)[0] ?? '' }),
    ...(types !== undefined && { types }),
    ...(components !== undefined && { components: there(components, 'components', path) }),
  };
}

const names = ['severity', 'foreign', 'ignore', 'paths', 'css', 'types', 'components'];

/** Paths beside the settings file, whole; a pattern is there if its folder is. */
function there(given: unknown, name: string, path: string): readonly string[] {
  return texts(given, name, path).map((one) => {
    const full = resolve(dirname(path), one);
    if (!/[*?{[]/.test(one) && !existsSync(full))
      throw new SettingsError(
        `${path} sets ${name} to "${one}", and there is no file or folder of that name.`,
      );
    return full;
  });
}

/**
 * The files and folders that a command is about: those that it was given, else those that `lattice.json` sets.
 *
 * @param fallback what it is about where neither says anything
 */
export function projectPaths(given: readonly string[], fallback: readonly string[] = []): readonly string[] {
  return given.length > 0 ? given : (readSettings('.').paths ?? fallback);
}

function severities(given: unknown, path: string): Settings['severity'] {
  if (!isRecord(given)) throw new SettingsError(`${path} sets severity to something other than a record.`);
  for (const [code, level] of Object.entries(given)) {
    if (!codes.includes(code as ProblemCode)) {
      const near = nearest(code, codes);
      throw new SettingsError(
        `${path} sets the severity of "${code}", which is no problem's code.${near ? ` Did you mean "${near}"?` : ''}`,
      );
    }
    if (level !== 'error' && level !== 'warning' && level !== 'off')
      throw new SettingsError(
        `${path} sets ${code} to ${JSON.stringify(level)}. Write "error", "warning" or "off".`,
      );
  }
  return given as Settings['severity'];
}

function texts(given: unknown, name: string, path: string): readonly string[] {
  if (Array.isArray(given) && given.every((one) => typeof one === 'string')) return given;
  throw new SettingsError(`${path} sets ${name} to something other than a list of texts.`);
}

/** Problems as grave as the settings say, without those that they turn off. */
export function withSettings(problems: readonly Problem[], { severity }: Settings): readonly Problem[] {
  return problems.flatMap((problem) => {
    const level = severity[problem.code] ?? problem.severity;
    return level === 'off' ? [] : [{ ...problem, severity: level }];
  });
}
