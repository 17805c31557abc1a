import type { ComponentCore } from '../../component/index.js';
import type { Finding } from '../../problem/index.js';
import type { Core } from '../../template/index.js';
import type * as called from '../runtime/called.js';
import type * as runtime from '../runtime/index.js';
import type { CompiledView } from './view.js';

/** What a page's runtime has for compiled elements, by name: functions, and rules of props. */
export type RuntimeName = keyof typeof runtime;

/** Those of them that are called for a template. */
export type CalledName = keyof typeof called;

/**
 * Something a page is to have, before it is known whether the page makes it itself or gets it as written code: a call
 * of one of the functions of its runtime. Arguments are numbers, texts, lists and records, expressions, views, other
 * calls, and the kinds below.
 */
export class Call {
  readonly name: CalledName;
  readonly args: readonly unknown[];

  constructor(name: CalledName, args: readonly unknown[]) {
    this.name = name;
    this.args = args;
  }
}

export function call(name: CalledName, ...args: readonly unknown[]): Call {
  return new Call(name, args);
}

/** One of the functions of a page's runtime itself. */
export class Named {
  readonly name: CalledName;

  constructor(name: CalledName) {
    this.name = name;
  }
}

/** A part that shows one value of one scope: how to have the value, and what shows it at its node. */
export class CompiledBinding {
  readonly get: Core | Call;
  readonly put: Call;
  readonly mask: number;
  readonly level: number;

  constructor(get: Core | Call, put: Call, mask: number, level: number) {
    this.get = get;
    this.put = put;
    this.mask = mask;
    this.level = level;
  }
}

/** A value of the component's author, which is passed on as it is. */
export class Constant {
  readonly value: unknown;

  constructor(value: unknown) {
    this.value = value;
  }
}

/** What only a page that makes its views itself has; `obstacle` says why no code can be written, if that is so. */
export class InPage {
  readonly value: unknown;
  readonly obstacle: string | undefined;

  constructor(value: unknown, obstacle?: string) {
    this.value = value;
    this.obstacle = obstacle;
  }
}

/** A view that is made when it is needed: of the component that it stands in, or of whichever tag an element has. */
export class ViewOnDemand {
  readonly get: (tag: string) => CompiledView | undefined;

  constructor(get: (tag: string) => CompiledView | undefined) {
    this.get = get;
  }
}

/** Tells whether content given to a slot comes to anything, in the scope where it is written. */
export class FillTest {
  readonly filled: Core;

  constructor(filled: Core) {
    this.filled = filled;
  }
}

/** Something of a row, of its item most often: `item` is the local that holds that. */
export class OfRow {
  readonly core: Core;
  readonly item: number;

  constructor(core: Core, item: number) {
    this.core = core;
    this.item = item;
  }
}

/** The arguments that a handler is called with. */
export class HandlerArguments {
  readonly args: readonly Core[];

  constructor(args: readonly Core[]) {
    this.args = args;
  }
}

/** Says of a value that is no content what it is and where it comes from; written code has shorter words. */
export class MisfitWords {
  readonly value: Core;

  constructor(value: Core) {
    this.value = value;
  }
}

/** What is wrong with a template, reported when it is first shown. */
export class FaultsOf {
  readonly findings: readonly Finding[];

  constructor(findings: readonly Finding[]) {
    this.findings = findings;
  }
}

/** A part of a component's definition, such as what it does when it is connected: `key` is its name there. */
export class FromDefinition {
  readonly core: ComponentCore;
  readonly key:
    | 'connected'
    | 'reactions'
    | 'provides'
    | 'field'
    | 'load'
    | 'elementMethods'
    | 'shown'
    | 'states'
    | 'aria';

  constructor(core: ComponentCore, key: FromDefinition['key']) {
    this.core = core;
    this.key = key;
  }
}
