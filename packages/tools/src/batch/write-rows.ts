import { dirname, relative } from 'node:path';
import pLimit from 'p-limit';
import {
  type AnyComponent,
  type ComponentCore,
  componentCore,
  componentsIn,
} from 'zesty-lattice/internal/component';
import { type LoadPool, loadPool, waits } from 'zesty-lattice/internal/html';
import {
  finding,
  LatticeError,
  type Problem,
  placed,
  problemsPlaced,
  reasonOf,
} from 'zesty-lattice/internal/problem';
import { loadModule } from '../check/modules.js';
import { linkedRules } from './linked-rules.js';
import { type PageSettings, type Props, pageOf } from './page-of.js';
import { propsOf, recordOf, rowInvalid } from './props-of.js';
import { settingsOf } from './row-settings.js';
import type { RowText } from './rows.js';
import { type Store, storeOf } from './store.js';

/** What a page is written of, the same for all rows. */
export interface PageSource {
  /** The whole path of the module, and the tag name of its component. */
  readonly module: string;
  readonly component: string;
  /** A word for what the module says, with all it is made of. */
  readonly code: string;
  readonly settings: PageSettings;
  /** The folder that the pages go to, as a whole path; what else writes them is a module of the author's. */
  readonly out: string;
  readonly store?: string | undefined;
  /** A file in the folder by which a process elsewhere knows that it is the same one. */
  readonly mark?: string | undefined;
  /** The fields that are only for file names and settings, where the component has no such prop. */
  readonly forName: readonly string[];
  /** Whether a page is written that shows that its data could not be loaded. */
  readonly allowFailed: boolean;
  /** How many pages that load, and how many loads in all, are under way in each thread. */
  readonly loadsAtOnce: number;
}

/** A row that is to be written. */
export interface RowTask {
  readonly number: number;
  readonly text: RowText;
  /** What it says, where that has been read in this process. */
  readonly record?: Props | undefined;
  /** The name of its file below the folder. */
  readonly name: string;
}

/** What became of a row. */
export interface RowOutcome {
  readonly number: number;
  /** How long the file is; undefined where none was written. */
  readonly bytes: number | undefined;
  /** Whether what it shows is not all that it would: it is written again by the next run. */
  readonly isPartial: boolean;
  readonly problems: readonly Problem[];
}

const components = new Map<string, Promise<AnyComponent>>();

/** Writes the pages of some rows, each as a whole or not at all. A row that cannot be written does not stop the others. */
export async function writeRows(source: PageSource, rows: readonly RowTask[]): Promise<RowOutcome[]> {
  const component = await componentOf(source);
  const forName = new Set(source.forName);
  const store = await storeFor(source);
  const one = (row: RowTask): Promise<RowOutcome> => writeRow(component, source, store, forName, row);
  if (waits(componentCore(component) as ComponentCore)) return pLimit(source.loadsAtOnce).map(rows, one);
  const outcomes: RowOutcome[] = [];
  for (const row of rows) outcomes.push(await one(row));
  return outcomes;
}

/** The limits of what the pages of this thread load together. */
const pools = new Map<number, LoadPool>();

function poolOf(atOnce: number): LoadPool {
  const pool = pools.get(atOnce) ?? loadPool(atOnce);
  pools.set(atOnce, pool);
  return pool;
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
  { allowFailed, loadsAtOnce, settings }: PageSource,
  store: Store,
  forName: ReadonlySet<string>,
  { name, number, record, text }: RowTask,
): Promise<RowOutcome> {
  const problems: Problem[] = [];
  let isPartial = false;
  const outcome = (bytes: number | undefined): RowOutcome => ({ number, bytes, isPartial, problems });
  const read = record ? { record } : recordOf(text);
  if ('found' in read) {
    problems.push(placed(read.found, ''));
    return outcome(undefined);
  }
  try {
    const core = componentCore(component) as ComponentCore;
    const props = propsOf(text, read.record, core, forName);
    const said = settingsOf(settings, read.record, number);
    if ('fault' in said) {
      problems.push(placed(rowInvalid(said.fault), ''));
      return outcome(undefined);
    }
    const html = await pageOf(component, props, {
      ...settings,
      ...said.settings,
      loads: { atOnce: loadsAtOnce, pool: poolOf(loadsAtOnce) },
      onProblem: (one) => void problems.push(one),
    });
    isPartial = problems.some(({ code }) => code === 'load-failed');
    if (isPartial && !allowFailed) return outcome(undefined);
    const bytes = Buffer.from(settings.rules ? await withLinks(html, name, store) : html);
    await store.write(name, bytes);
    return outcome(bytes.length);
  } catch (thrown) {
    problems.push(...problemsOf(thrown));
    return outcome(undefined);
  }
}

/** A path to a folder, as an address says it. */
const folderPath = (path: string): string => (path === '' ? '' : `${path.replaceAll('\\', '/')}/`);

const stores = new Map<string, Promise<Store>>();

function storeFor({ out, store }: PageSource): Promise<Store> {
  const key = store ?? `in ${out}`;
  const known = stores.get(key) ?? storeOf(out, store);
  stores.set(key, known);
  return known;
}

/** Files of rules that this process has written. */
const writtenRules = new WeakMap<Store, Set<string>>();

/** A page that links its rules, which stand in files of the folder that all pages go to. */
async function withLinks(html: string, page: string, store: Store): Promise<string> {
  const known = writtenRules.get(store) ?? new Set<string>();
  writtenRules.set(store, known);
  const own = dirname(page);
  const toFolder = folderPath(relative(own, '.'));
  const { html: linked, files } = linkedRules(
    html,
    (name) => toFolder + name,
    folderPath(relative('.', own)),
  );
  for (const [name, css] of files) {
    if (!known.has(name)) await store.write(name, Buffer.from(css));
    known.add(name);
  }
  return linked;
}

function problemsOf(thrown: unknown): readonly Problem[] {
  if (thrown instanceof LatticeError) return problemsPlaced(thrown);
  const reason = reasonOf(thrown);
  return [placed(finding('page-unwritten', { reason }), '')];
}
