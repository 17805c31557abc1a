import type { ObjectExpression, Property } from 'estree';
import type { Node } from 'estree-walker';
import { declaredIn, type Placed, readIn } from './names.js';

/** A part of a definition as it is written. */
export type Part = Placed<Property>;

/** Where a part is to be found: here, in a definition that is spread, or nowhere that can be followed. */
export type PartFound =
  | { readonly how: 'here'; readonly part: Part }
  | { readonly how: 'spread'; readonly name: string }
  | { readonly how: 'unknown' }
  | undefined;

/** What of a module its definitions need to know. */
export interface DefiningModule {
  readonly constants: ReadonlyMap<string, Placed>;
  definitionCalled(node: Node): Node | undefined;
  text(node: Node): string;
}

/** The record that a component is defined by, as it is written: its parts, and records that are spread in it. */
export class Definition {
  readonly record: Placed<ObjectExpression> | undefined;
  readonly #module: DefiningModule;
  /** The name that the whole of it goes by, where another module has it. */
  readonly #taken: string | undefined;
  /** The names that are known to the function alone which makes a definition for any type of item. */
  readonly #inner: ReadonlySet<string>;

  constructor(record: Placed, module: DefiningModule, make?: Node) {
    this.#module = module;
    this.#inner = make ? declaredIn(make, record) : new Set();
    const isTaken = record.type === 'Identifier' && !module.constants.has(record.name);
    this.#taken = isTaken ? record.name : undefined;
    // `{ … } as const` and the like are gone by then; what is named stands at the top of the module.
    const named = record.type === 'Identifier' ? module.constants.get(record.name) : record;
    const inside = named && module.definitionCalled(named);
    const found = inside ?? named;
    this.record = found?.type === 'ObjectExpression' ? (found as Placed<ObjectExpression>) : undefined;
  }

  /** A part that is written in this record itself, or in a constant of the module that is spread in it. */
  own(key: string): Part | undefined {
    const found = this.find(key);
    return found?.how === 'here' ? found.part : undefined;
  }

  /** Where a part comes from: the last one that says it is the one that counts. */
  find(key: string): PartFound {
    if (this.#taken !== undefined) return { how: 'spread', name: this.#taken };
    if (!this.record) return { how: 'unknown' };
    for (const one of [...this.record.properties].reverse()) {
      if (one.type === 'SpreadElement') {
        const { argument } = one;
        if (argument.type !== 'Identifier') return { how: 'unknown' };
        if (!this.#module.constants.has(argument.name)) return { how: 'spread', name: argument.name };
        const found = new Definition(argument as Placed, this.#module).find(key);
        if (found) return found;
      } else if (one.computed || one.kind !== 'init') return { how: 'unknown' };
      else if ((one.key.type === 'Identifier' ? one.key.name : 'value' in one.key && one.key.value) === key)
        return { how: 'here', part: one as Part };
    }
    return undefined;
  }

  /** Whether code in it can stand at the top of the module: it uses nothing that only its function knows. */
  isFree(code: Node): boolean {
    return this.#inner.size === 0 || ![...readIn(code)].some((name) => this.#inner.has(name));
  }

  /** The code of a part; of one that is written as a method, too. */
  text(part: Part, key: string): string {
    return part.method || part.shorthand
      ? `({ ${this.#module.text(part)} }).${key}`
      : `(${this.#module.text(part.value)})`;
  }
}
