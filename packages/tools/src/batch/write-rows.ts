import { mkdirSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { dirname, join, relative } from 'node:path';
import {
  type AnyComponent,
  type ComponentCore,
  componentCore,
  componentsIn,
} from 'zesty-lattice/internal/component';
import { finding, LatticeError, type Problem, placed, reasonOf } from 'zesty-lattice/internal/problem';
import { loadModule } from '../check/modules.js';
import { linkedRules } from './linked-rules.js';
import { textOf } from './names.js';
import { type PageSettings, pageOf } from './page-of.js';
import { propsOf, recordOf } from './props-of.js';
import type { RowText } from './rows.js';

/** What a page is written of, the same for all rows. */
export interface PageSource {
  /** The whole path of the module, and the tag name of its component. */
  readonly module: string;
  readonly component: string;
  readonly settings: PageSettings;
  /** The folder that the pages go to. */
  readonly out: string;
  /** The fields that are only for file names, where the component has no such prop. */
  readonly forName: readonly string[];
}

/** A row that is to be written. */
export interface RowTask {
  readonly number: number;
  readonly text: RowText;
  readonly path: string;
}

/** What became of a row. */
export interface RowOutcome {
  readonly number: number;
  readonly path: string;
  /** How long the file is; undefined where none was written. */
  readonly bytes: number | undefined;
  readonly problems: readonly Problem[];
}

const components = new Map<string, Promise<AnyComponent>>();

/** Writes the pages of some rows, each as a whole or not at all. A row that cannot be written does not stop the others. */
export async function writeRows(source: PageSource, rows: readonly RowTask[]): Promise<RowOutcome[]> {
  const component = await componentOf(source);
  const forName = new Set(source.forName);
  const outcomes: RowOutcome[] = [];
  for (const row of rows) outcomes.push(await writeRow(component, source.settings, forName, row, source.out));
  return outcomes;
}

function componentOf({ component, module }: PageSource): Promise<AnyComponent> {
  const key = `${module} ${component}`;
  const known = components.get(key) ?? found(module, component);
  components.set(key, known);
  return known;
}

async function found(module: string, name: string): Promise<AnyComponent> {
  const component = [...componentsIn(await loadModule(module)).values()].find((one) => one.name === name);
  if (!component) throw new Error(`${module} exports no component ${name}.`);
  return component;
}

async function writeRow(
  component: AnyComponent,
  settings: PageSettings,
  forName: ReadonlySet<string>,
  { number, path, text }: RowTask,
  out: string,
): Promise<RowOutcome> {
  const problems: Problem[] = [];
  const outcome = (bytes: number | undefined): RowOutcome => ({ number, path, bytes, problems });
  const read = recordOf(text);
  if ('found' in read) {
    problems.push(placed(read.found, ''));
    return outcome(undefined);
  }
  try {
    const core = componentCore(component) as ComponentCore;
    const props = propsOf(text, read.record, core, forName);
    const title = settings.title === undefined ? undefined : textOf(settings.title, read.record, number);
    const telling = { onProblem: (one: Problem) => void problems.push(one) };
    const html = await pageOf(component, props, { ...settings, title, ...telling });
    return outcome(writeWhole(path, settings.rules ? withLinks(html, path, out) : html));
  } catch (thrown) {
    problems.push(...problemsOf(thrown));
    return outcome(undefined);
  }
}

/** A path to a folder, as an address says it. */
const folderPath = (path: string): string => (path === '' ? '' : `${path.replaceAll('\\', '/')}/`);

/** Files of rules that this process has written. */
const writtenRules = new Set<string>();

/** A page that links its rules, which stand in files of the folder that all pages go to. */
function withLinks(html: string, path: string, out: string): string {
  const toFolder = folderPath(relative(dirname(path), out));
  const { html: linked, files } = linkedRules(
    html,
    (name) => toFolder + name,
    folderPath(relative(out, dirname(path))),
  );
  for (const [name, css] of files) {
    const file = join(out, name);
    if (!writtenRules.has(file)) writeWhole(file, css);
    writtenRules.add(file);
  }
  return linked;
}

function problemsOf(thrown: unknown): readonly Problem[] {
  if (thrown instanceof LatticeError) return thrown.problems;
  const reason = reasonOf(thrown);
  return [placed(finding('page-unwritten', { reason }), '')];
}

/** Writes a file that is there as a whole or not at all; gives its length in bytes. */
function writeWhole(path: string, text: string): number {
  const waiting = `${path}.${process.pid}-${Math.random().toString(36).slice(2, 8)}.part`;
  const bytes = Buffer.from(text);
  try {
    writeFileSync(waiting, bytes);
  } catch (thrown) {
    if ((thrown as { code?: string }).code !== 'ENOENT') throw thrown;
    mkdirSync(dirname(path), { recursive: true });
    writeFileSync(waiting, bytes);
  }
  try {
    renameSync(waiting, path);
  } catch (thrown) {
    rmSync(waiting, { force: true });
    throw thrown;
  }
  return bytes.length;
}
