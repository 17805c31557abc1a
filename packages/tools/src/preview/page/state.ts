import type { Catalogue, ComponentFacts, Given, SampleFacts, Shown } from '../../reading/facts.js';
import { type Address, addressOf, firstLook, type Look, textAddress } from './address.js';
import { shownOf, shownText } from './asking.js';
import { startOf } from './values.js';

export interface Sent {
  readonly name: string;
  readonly detail: string;
  readonly by: string;
}

export interface State {
  readonly catalogue: Catalogue;
  readonly isRead: boolean;
  readonly name: string;
  readonly given: Given;
  /** A sample that is more than one use: it is shown as it is written. */
  readonly text: string;
  readonly look: Look;
  readonly shown: Shown;
  /** Whether what is shown is not yet that of what is given. */
  readonly isAsking: boolean;
  readonly sent: readonly Sent[];
  readonly said: readonly string[];
  /** What went wrong on the way to the server. */
  readonly failure: string;
  /** What was done, said once. */
  readonly notice: string;
  readonly sampleName: string;
  /** Whether a sample of that name is there already. */
  readonly isTaken: boolean;
}

const nothing: Given = { props: {}, slots: {} };
const noneShown: Shown = {
  text: '',
  code: '',
  lines: [],
  html: '',
  faults: {},
  problems: [],
  tree: [],
  bytes: { plain: 0, gzip: 0, brotli: 0 },
};
const noFacts: ComponentFacts = {
  name: '',
  exportName: '',
  file: '',
  shown: '',
  line: 1,
  description: '',
  placement: { names: [], parents: null },
  isLive: false,
  props: [],
  slots: [],
  events: [],
  text: { file: '', state: [], handlers: [], helpers: [], uses: [], takes: {} },
  samples: [],
  problems: [],
};

export const first: State = {
  catalogue: { components: [], unread: [] },
  isRead: false,
  name: '',
  given: nothing,
  text: '',
  look: firstLook,
  shown: noneShown,
  isAsking: false,
  sent: [],
  said: [],
  failure: '',
  notice: '',
  sampleName: '',
  isTaken: false,
};

export type Change = (changes: Partial<State> | ((state: State) => Partial<State>)) => void;

export const factsIn = (catalogue: Catalogue, name: string): ComponentFacts =>
  catalogue.components.find((one) => one.name === name) ?? noFacts;

/** What a component is given when nobody said anything: its first sample, else what it cannot do without. */
function givenAtFirst({ props, samples, slots }: ComponentFacts): Given {
  const [sample] = samples;
  if (sample?.given) return sample.given;
  return {
    props: Object.fromEntries(props.filter((one) => one.isNeeded).map((one) => [one.name, startOf(one)])),
    slots: Object.fromEntries(slots.filter((one) => one.isNeeded).map((one) => [one.name, 'Text'])),
  };
}

/** What the address says, as it stands in the state. */
export function withStateChange(
  catalogue: Catalogue,
  { given: its, look, name, text: written }: Address,
  now: State,
): Partial<State> {
  const facts = factsIn(catalogue, name);
  const [sample] = facts.samples;
  const text = written || (its === null && sample?.given === null ? sample.text : '');
  const isOther = name !== now.name;
  return {
    name: facts.name,
    look,
    text,
    given: its ?? (text === '' ? givenAtFirst(facts) : nothing),
    ...(isOther && { sent: [], said: [], sampleName: '', isTaken: false, notice: '', shown: noneShown }),
  };
}

let asked: Promise<Shown> = Promise.resolve(noneShown);

/** What comes of what is given now, also where the server has yet to answer; `state.shown` is what it answered last. */
export const shownNow = (): Promise<Shown> => asked;

/** Asks what comes of what the component is given now; what is asked later counts. */
export async function showState(
  { given: its, name, text }: Pick<State, 'given' | 'name' | 'text'>,
  change: Change,
): Promise<void> {
  if (name === '') return;
  const own = text === '' ? shownOf(name, its) : shownText(text);
  asked = own;
  change({ isAsking: true });
  try {
    const shown = await own;
    if (own === asked) change({ shown, failure: '', isAsking: false });
  } catch (thrown) {
    if (own === asked) change({ failure: (thrown as Error).message, isAsking: false });
  }
}

export function remember({
  given: its,
  look,
  name,
  text,
}: Pick<State, 'given' | 'look' | 'name' | 'text'>): void {
  const address = text === '' ? addressOf(name, its, look) : textAddress(name, text, look);
  history.replaceState(null, '', name === '' ? '#' : `#${address}`);
}

/** What was typed: shown at once in its field, asked for, and kept in the address. */
export function changed(now: State, change: Change): Partial<State> {
  remember(now);
  void showState(now, change);
  return { given: now.given, notice: '', said: [] };
}

const isSame = (one: Given, other: Given): boolean => addressOf('', one) === addressOf('', other);

export function isCurrent(now: Given, text: string, sample: SampleFacts): boolean {
  return sample.given === null ? text === sample.text : text === '' && isSame(now, sample.given);
}

export function sampleAddress(name: string, look: Look, { given: its, text }: SampleFacts): string {
  return `#${its === null ? textAddress(name, text, look) : addressOf(name, its, look)}`;
}
