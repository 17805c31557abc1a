import type { KindWord } from 'zesty-lattice/internal/component';
import type { PrettyPart } from 'zesty-lattice/internal/html';
import type { Problem } from 'zesty-lattice/internal/problem';
import type { FailedModule } from '../check/failed.js';
import type { Line } from '../tree-page/view.js';

// What the page of a preview and the process that reads the project tell each other: plain data.

/** What a field for a prop, an item or a record's field is made from. */
export interface FieldFacts {
  readonly name: string;
  /** The kind's word, such as `text` or `choice`. */
  readonly kind: KindWord;
  /** What belongs there, as it stands in a sentence. */
  readonly expected: string;
  readonly description: string;
  readonly isNeeded: boolean;
  /** What the template sees where it is left out, as text; empty where it sees nothing. */
  readonly fallback: string;
  /** The words of a choice or a tag. */
  readonly words: readonly string[];
  /** A record's fields, or of a list its item alone. */
  readonly parts: readonly FieldFacts[];
}

export interface SlotFacts {
  readonly name: string;
  readonly description: string;
  readonly isNeeded: boolean;
  /** Whether it passes data to whoever fills it. */
  readonly hands: boolean;
}

/** What a component is given: what its page edits, and what the address holds. */
export interface Given {
  /** Props by name, as JSON; what is left out is not there. */
  readonly props: Readonly<Record<string, unknown>>;
  /** HTML text by slot. */
  readonly slots: Readonly<Record<string, string>>;
  /** What the data of a slot is called in its text, where it is not `data`. */
  readonly names?: Readonly<Record<string, string>>;
  /** Other attributes of its tag. */
  readonly others?: Readonly<Record<string, string>>;
}

/** A sample, as something to edit where it is one use of a component, else as HTML text alone. */
export interface SampleFacts {
  readonly name: string;
  readonly given: Given | null;
  /** The whole of it as HTML text. */
  readonly text: string;
}

export interface ComponentFacts {
  readonly name: string;
  /** The name that its module exports it under. */
  readonly exportName: string;
  /** The module's whole path, and as a person knows it. */
  readonly file: string;
  readonly shown: string;
  readonly line: number;
  /** What it is, and where it may stand. */
  readonly description: string;
  /** Its free names, and what it may stand in: `null` for anything. */
  readonly placement: { readonly names: readonly string[]; readonly parents: readonly string[] | null };
  /** Whether it stays an element, with state, handlers or loading. */
  readonly isLive: boolean;
  readonly props: readonly FieldFacts[];
  readonly slots: readonly SlotFacts[];
  readonly events: readonly { readonly name: string; readonly description: string }[];
  /** What its template text may name besides props, and the file it is in; empty where it stands in the module, or is none. */
  readonly text: {
    readonly file: string;
    readonly state: readonly string[];
    readonly handlers: readonly string[];
    readonly helpers: readonly string[];
    readonly uses: readonly string[];
    /** What helpers and handlers take, by their names: parameters as they are written, without types. */
    readonly takes: Readonly<Record<string, readonly string[]>>;
  };
  readonly samples: readonly SampleFacts[];
  readonly problems: readonly Problem[];
}

/** A file that could not be read, as a person knows it, and why. */
export interface UnreadFile {
  readonly file: string;
  readonly message: string;
  /** What is wrong with a module and where, and what is not known without it; undefined of a file of samples. */
  readonly failed?: FailedModule;
}

export interface Catalogue {
  readonly components: readonly ComponentFacts[];
  readonly unread: readonly UnreadFile[];
}

/** One piece of HTML text with what it is. */
export type Token = PrettyPart;

/** What comes of a component with what it was given. */
export interface Shown {
  /** The use as HTML text: what the element is made of. */
  readonly text: string;
  /** The use in functions; empty where it cannot be written so. */
  readonly code: string;
  /** Its HTML text, in lines for people. */
  readonly lines: readonly (readonly Token[])[];
  /** Its HTML text to the letter. */
  readonly html: string;
  /** What does not fit, by prop: it completes "The prop x …". */
  readonly faults: Readonly<Record<string, string>>;
  readonly problems: readonly Problem[];
  readonly tree: readonly Line[];
  /** Bytes of its HTML text. */
  readonly bytes: { readonly plain: number; readonly gzip: number; readonly brotli: number };
}
