import type { Finding } from '../problem/index.js';
import type { Content } from '../template/index.js';
import type { ComponentCore, TemplateText } from './core.js';

/** What a template text's reader is given of its component. */
export interface TextContext {
  readonly core: ComponentCore;
  readonly text: TemplateText;
  readonly findings: Finding[];
}

/** Reads template texts: kept apart, so that a page whose templates are functions loads none of it. */
export interface MarkupReader {
  content(context: TextContext): Content;
  /** The slots a text places, for components that declare none: each with whether it passes data. */
  slots(text: TemplateText): ReadonlyMap<string, boolean>;
}

/** Shared by every copy of this library in the program, as the run at hand is. */
const shared = globalThis as { [key: symbol]: MarkupReader | undefined };
const readerKey = Symbol.for('zesty-lattice.markup-reader');

export function setMarkupReader(reader: MarkupReader): void {
  shared[readerKey] ??= reader;
}

/** Whatever can read template texts here, if something can. */
export function markupReader(): MarkupReader | undefined {
  return shared[readerKey];
}

/** The slots that a template text places; none where nothing can read it, which running it will tell. */
export function textSlots(text: TemplateText): ReadonlyMap<string, boolean> {
  return markupReader()?.slots(text) ?? new Map();
}
