import type { ComponentCore } from '../../component/index.js';
import {
  type Finding,
  finding,
  type ProblemCode,
  type SourcePlace,
  saidInText,
} from '../../problem/index.js';
import { type Content, currentRun, lineEaters } from '../../template/index.js';
import { type Hole, unmarkedFacts } from '../syntax/holes.js';
import type { MarkupAttribute, MarkupNode } from '../syntax/nodes.js';
import type { Places } from '../syntax/place.js';
import type { LocalKinds } from './kinds.js';
import { type Locals, Names } from './names.js';

/** A part of a text that nodes are made of. */
interface Written {
  readonly at: number | undefined;
  readonly attributes?: readonly MarkupAttribute[];
}

/** How nodes are read: handed in, since what reads them reads what stands in them, too. */
type ContentOf = (nodes: readonly MarkupNode[], locals: Locals, reading: TextReading) => Content[];

/** The reading of one component's template text: what its parts are reported with. */
export class TextReading {
  readonly component: ComponentCore;
  readonly places: Places;
  readonly holes: readonly Hole[];
  readonly findings: Finding[];
  readonly names: Names;
  /** The kinds of what rows and slots hand over, where they are declared. */
  readonly kinds: LocalKinds = new WeakMap();
  /** Components that may be named, by tag. */
  readonly uses: ReadonlyMap<string, ComponentCore>;
  private readonly contentOf: ContentOf;
  /** Whether line breaks are layout where it reads now. */
  joinsLines: boolean;

  constructor(
    component: ComponentCore,
    places: Places,
    holes: readonly Hole[],
    findings: Finding[],
    contentOf: ContentOf,
  ) {
    this.contentOf = contentOf;
    this.component = component;
    this.places = places;
    this.holes = holes;
    this.findings = findings;
    this.names = new Names(component);
    this.joinsLines = component.joinLines;
    this.uses = new Map([...component.uses, component].map((one) => [one.name, one]));
  }

  /** Reads nodes that stand inside of what is being read. */
  content(nodes: readonly MarkupNode[], locals: Locals): Content[] {
    return this.contentOf(nodes, locals, this);
  }

  report<C extends ProblemCode>(
    code: C,
    facts: Parameters<typeof finding<C>>[1],
    at: number | undefined,
  ): void {
    this.findings.push(saidInText(finding(code, unmarkedFacts(facts, this.holes), this.place(at))));
  }

  /** Reads what stands in an element; some keep their line breaks. */
  within<T>(tag: string, read: () => T): T {
    const before = this.joinsLines;
    if (lineEaters.has(tag)) this.joinsLines = false;
    try {
      return read();
    } finally {
      this.joinsLines = before;
    }
  }

  place(at: number | undefined): SourcePlace | undefined {
    return at === undefined ? this.component.source : this.places.at(at);
  }

  /** Makes nodes that know where in the text they are written, and where their attributes are. */
  written<T>({ at, attributes }: Written, make: () => T): T {
    const run = currentRun();
    if (!run) return make();
    const before = run.reading;
    run.reading = {
      textPlace: this.place(at),
      attribute: (name) => {
        const found = attributes?.find((one) => one.name.replace(/-/g, '') === name)?.at;
        return found === undefined ? undefined : this.place(found);
      },
    };
    try {
      return make();
    } finally {
      run.reading = before;
    }
  }
}
