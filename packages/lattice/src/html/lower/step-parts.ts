import type { Core } from '../../template/index.js';
import type { Callable, GivenFill, Step } from './steps.js';

/** What stands in a step: other steps, the values that it reads itself, the routines that it calls. */
interface StepParts {
  readonly inner: readonly (readonly Step[])[];
  readonly values: readonly Core[];
  readonly calls?: readonly (() => Callable)[];
  /** Whether it may wait, or be written more than once, whatever stands in it. */
  readonly mayWait?: true;
}

/** A line for each kind of step, so that the compiler asks for the line of a new one. */
type PartsTable = { readonly [Kind in Step['kind']]: (step: Extract<Step, { kind: Kind }>) => StepParts };

const contents = (fills: readonly (GivenFill | undefined)[]): readonly (readonly Step[])[] =>
  fills.flatMap((fill) => (fill?.content ? [fill.content] : []));
const nothing: StepParts = { inner: [], values: [] };

const parts: PartsTable = {
  text: () => nothing,
  entry: () => nothing,
  report: () => nothing,
  show: ({ value }) => ({ inner: [], values: [value] }),
  attribute: ({ value }) => ({ inner: [], values: [value] }),
  let: ({ value }) => ({ inner: [], values: [value] }),
  ready: ({ content }) => ({ inner: [], values: [content], mayWait: true }),
  made: ({ values }) => ({ inner: [], values }),
  state: ({ props }) => ({ inner: [], values: props }),
  choose: ({ no, test, yes }) => ({ inner: [yes, no], values: [test] }),
  rows: ({ empty, list, row }) => ({ inner: [row, empty], values: [list], mayWait: true }),
  apart: ({ inner }) => ({ inner: [inner], values: [] }),
  changing: ({ content, start, tag }) => ({ inner: [start, content], values: [tag] }),
  call: ({ args, fills, routine }) => ({ inner: contents(fills), values: args, calls: [routine] }),
  fill: ({ data, fallback }) => ({ inner: [fallback], values: [data], mayWait: true }),
  provide: ({ inner, props }) => ({ inner: [inner], values: props }),
  host: ({ content, fills, host, own, props }) => ({
    inner: [own, content, ...contents(fills)],
    values: props,
    calls: [host.shadow],
    mayWait: true,
  }),
  load: ({ inner, props }) => ({ inner: [inner], values: props, mayWait: true }),
  guard: ({ fallback, inner }) => ({ inner: [inner, fallback], values: [], mayWait: true }),
  accepted: ({ plain }) => ({ inner: [plain], values: [] }),
};

/** Returns what stands in a step. */
export function partsOf(step: Step): StepParts {
  // The line of a kind takes just that kind; TypeScript cannot follow the two through one index.
  return (parts[step.kind] as (step: Step) => StepParts)(step);
}
