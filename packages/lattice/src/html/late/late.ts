import { causedBy, finding, type Problem, placed } from '../../problem/index.js';
import { isAsyncRows, type LoadState, loadedFor, waitingState } from '../../template/index.js';
import type { Frame } from '../frame.js';
import type { GuardStep, LoadStep, RowsStep } from '../lower/steps.js';
import type { LateWriting, Pass } from '../pass.js';
import { problemsOf } from '../problems-of.js';
import { listOf, type Write, type WriteWith } from '../runtime.js';
import { failedWith, failureOf, type Loads } from './loads.js';
import { Part } from './part.js';
import { arePlain } from './plain.js';
import { type RowSource, rowsOf, rowsOfList } from './rows.js';
import { rowsAtOnce } from './rows-at-once.js';
import { StartedRows } from './started-rows.js';

/** How many rows are written at once; longer lists are written as they are asked for. */
const mostAtOnce = 500;

/** Writes what comes later: each such place is a part, with what was around it kept until it is written. */
export class Late implements LateWriting {
  private readonly pass: Pass;
  private readonly loads: Loads;
  private readonly signal: AbortSignal;
  private readonly isSent: boolean;
  /** Where text goes now. */
  private current: Part;

  /** @param isSent whether what is ready is sent at once */
  /** The problems of the rendering itself, and what ends the waits for its parts. */
  private readonly allProblems: readonly Problem[];
  private readonly waiting = new Set<() => void>();

  constructor(pass: Pass, loads: Loads, signal: AbortSignal, isSent: boolean) {
    this.isSent = isSent;
    this.allProblems = pass.problems;
    this.pass = pass;
    this.loads = loads;
    this.signal = signal;
    this.current = new Part();
    pass.late = this;
    pass.sink = { take: (text) => this.current.take(text) };
  }

  /** Writes something into a part of its own, as it would be written where it stands. */
  whole(work: () => string): Part {
    const part = new Part();
    this.into(part, this.around(), work);
    return part;
  }

  load(
    frame: Frame,
    out: string,
    step: LoadStep,
    props: Readonly<Record<string, unknown>>,
    write: WriteWith,
  ): string {
    const { component, showsFailure, where } = step;
    const part = this.next(out);
    const kept = frame.kept();
    const around = this.around();
    part.after(
      this.waiting,
      this.loads.state(component, props).then(async (loaded) => {
        const rows = showsFailure && loaded.value instanceof StartedRows ? loaded.value : undefined;
        if (rows) rows.endsOnFailure = true;
        const state = rows ? await this.withRows(loaded, rows) : loaded;
        // What was stopped did not fail: nobody reads on.
        if (this.signal.aborted) return;
        const show = (into: Part, shown: LoadState<unknown>): void =>
          this.guarded(step, kept, around, () => this.into(into, around, () => write(kept, '', shown)));
        const report = (failed: LoadState<unknown>): Problem => {
          const { cause, reason } = failureOf(failed);
          const found = finding('load-failed', { component: component.name, reason });
          return causedBy(placed(found, where.path(kept)), cause);
        };
        if (state.fault) {
          if (!showsFailure) return this.fail(around, report(state));
          this.pass.tell(report(state));
        }
        show(part, state);
        if (!rows || state.fault) return;
        // Rows that were sent stay. What stands in for them follows, where they stop with an error.
        const { tell } = this.pass;
        const behind = new Part();
        part.pieces.push(behind);
        behind.more = async function* () {
          if (!rows.failure) return;
          const failed = failedWith(rows.failure.thrown);
          tell(report(failed));
          const shown = new Part();
          show(shown, failed);
          yield shown;
        };
      }),
    );
    if (step.isMovable())
      part.meanwhile = () => {
        const here = new Part();
        this.into(here, around, () => write(kept.kept(), '', waitingState));
        return here;
      };
    return '';
  }

  guard(frame: Frame, out: string, step: GuardStep, inner: Write, fallback: WriteWith): string {
    const part = this.next(out);
    const kept = frame.kept();
    const around = this.around();
    const problems: Problem[] = [];
    const content = new Part();
    const inside = { ...around, problems };
    this.guarded(step, kept, inside, () => this.into(content, inside, () => inner(kept.kept(), '')));
    part.after(
      this.waiting,
      partWritten(content).then(() => {
        const [first] = problems;
        if (!first) {
          part.pieces = [content];
          return;
        }
        for (const one of problems) this.pass.tell(one);
        this.guarded(step, kept, around, () =>
          this.into(part, around, () => fallback(kept, '', { message: first.message })),
        );
      }),
    );
    return '';
  }

  rows(frame: Frame, out: string, step: RowsStep, list: unknown, row: Write, empty: Write): string {
    const isLong = isAsyncRows(list) || (Array.isArray(list) && list.length > mostAtOnce);
    const isPlain = arePlain(step.row);
    const write = (one: Frame, text: string, item: unknown, index: number): string => {
      const own = isPlain ? one : one.kept();
      own.locals[step.item] = item;
      own.locals[step.index] = index;
      return row(own, text);
    };
    if (!isLong) {
      const items = listOf(frame, step, list);
      if (items.length === 0) return empty(frame, out);
      const written = rowsAtOnce(frame, step, items, 0);
      if (written !== undefined) return out + written;
      let text = out;
      for (let at = 0; at < items.length; at++) text = write(frame, text, items[at], at);
      return text;
    }
    const part = this.next(out);
    const kept = frame.kept();
    const around = this.around();
    const asPart = (work: () => string): Part => {
      const one = new Part();
      this.guarded(step, kept, around, () => this.into(one, around, work));
      return one;
    };
    const source: RowSource = {
      some: (items, from) => {
        let text: string | undefined;
        const rows = asPart(() => {
          text = rowsAtOnce(kept, step, items, from);
          return text ?? '';
        });
        return text === undefined ? undefined : rows;
      },
      one: (item, index) => asPart(() => write(kept, '', item, index)),
      none: () => asPart(() => empty(kept, '')),
      ahead: 2 * this.loads.atOnce,
      failed: (thrown) => this.fail(around, ...problemsOf(thrown, step.name(), step.where, kept)),
    };
    part.more = () =>
      Array.isArray(list)
        ? rowsOfList(list, source, this.signal)
        : rowsOf(list as AsyncIterable<unknown>, source, this.signal);
    return '';
  }

  apart(frame: Frame, out: string, inner: Write, change: (text: string) => string): string {
    const before = this.current;
    const part = new Part();
    this.current = part;
    let text: string;
    try {
      text = inner(frame, '');
    } finally {
      this.current = before;
    }
    if (part.pieces.length === 0) return out + change(text);
    part.take(text);
    const [first] = part.pieces;
    if (typeof first === 'string') part.pieces[0] = change(first);
    before.take(out);
    before.pieces.push(part);
    return '';
  }

  /** The state with its rows: all of them where nothing is sent before they are there, so that one that fails fails all. */
  private async withRows(state: LoadState<unknown>, rows: StartedRows): Promise<LoadState<unknown>> {
    const all: unknown[] = [];
    if (!this.isSent) for await (const row of rows) all.push(row);
    const found = rows.failure
      ? failedWith(rows.failure.thrown)
      : { ...state, value: this.isSent ? rows : all };
    const { props, reads } = loadedFor.get(state) ?? { props: {}, reads: new Set<string>() };
    loadedFor.set(found, { props, reads });
    return found;
  }

  /** A part behind what is written. */
  private next(out: string): Part {
    const part = new Part();
    this.current.take(out);
    this.current.pieces.push(part);
    return part;
  }

  /** What is around something that is written later. */
  private around(): Around {
    return copyOf(this.pass);
  }

  /** Writes into a part what stood where its surroundings were those. */
  private into(part: Part, around: Around, work: () => string): void {
    const { current, pass } = this;
    const had = aroundIn(pass);
    this.current = part;
    Object.assign(pass, { ...copyOf(around), roots: [] });
    pass.openRoot();
    try {
      part.take(work() + pass.closeRoot());
    } finally {
      this.current = current;
      Object.assign(pass, had);
    }
  }

  /** Does some work; what it throws is a problem of what is around. */
  private guarded(
    step: LoadStep | GuardStep | RowsStep,
    frame: Frame,
    around: Around,
    work: () => void,
  ): void {
    try {
      work();
    } catch (thrown) {
      const name = 'component' in step ? step.component.name : step.name();
      this.fail(around, ...problemsOf(thrown, name, step.where, frame));
    }
  }

  /** Notes problems. Where nothing stands in for what has them, the whole rendering fails: nobody waits for the rest. */
  private fail({ problems }: Pick<Around, 'problems'>, ...found: readonly Problem[]): void {
    problems.push(...found);
    if (problems !== this.allProblems) return;
    for (const end of [...this.waiting]) end();
  }
}

/** What a rendering knows of the place that is being written. */
type Around = Pick<Pass, 'choices' | 'inRoot' | 'problems' | 'provider' | 'roots' | 'shared'>;

const aroundIn = ({ choices, inRoot, problems, provider, roots, shared }: Around): Around => ({
  choices,
  inRoot,
  problems,
  provider,
  roots,
  shared,
});

/** The same, for a place that is written later: what is written before that changes none of it. */
function copyOf(around: Around): Around {
  const { choices, shared } = around;
  return { ...aroundIn(around), choices: [...choices], shared: shared && new Map(shared) };
}

/** Waits until all of a part is there. What is made as it is asked for is kept. */
async function partWritten(part: Part): Promise<void> {
  await part.ready;
  if (part.more) {
    const { more } = part;
    part.more = undefined;
    for await (const piece of more()) if (piece !== '') part.pieces.push(piece);
  }
  for (const piece of part.pieces) if (typeof piece !== 'string') await partWritten(piece);
}
