import { existsSync, readFileSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { nearest, type ProblemCode, type Severity, words } from 'zesty-lattice/internal/problem';
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
  const { severity = {}, foreign = [], ignore = [], ...others } = read;
  const [unknown] = Object.keys(others);
  if (unknown !== undefined)
    throw new SettingsError(`${path} sets "${unknown}". It can set severity, foreign and ignore.`);
  return {
    severity: severities(severity, path),
    foreign: texts(foreign, 'foreign', path),
    ignore: texts(ignore, 'ignore', path),
  };
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
