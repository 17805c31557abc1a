import { dev, failure, finding } from '../../problem/index.js';
import { jsonBlock, jsonFault } from '../../template/json.js';
import type { Scope } from '../../template/scope.js';
import { type Attach, keep } from './block.js';
import type { Instance } from './instance.js';

/** How to have a value of a scope. */
export type Get = (scope: Scope) => unknown;

/** Says that a value is no content. */
export type Misfit = (value: unknown, instance: Instance) => void;

const misfit: Misfit = (value, instance) => {
  const what = typeof value;
  instance.tell('content-not-allowed', dev ? { what, place: 'here', hint: '' } : ({ what } as never));
};

/** A value in a text node. */
export function text(get: Get, mask: number, level = 0, tell = misfit): Attach {
  return (node, scopes, block, instance) => {
    const target = node as Text;
    let shown = target.data;
    const run = (): void => {
      const value = get(scopes[level] as Scope);
      let next = '';
      if (typeof value === 'string' || typeof value === 'number' || typeof value === 'bigint')
        next = `${value}`;
      else if (value) tell(value, instance);
      if (next === shown) return;
      if (instance.adoption)
        instance.tell('markup-differs', {
          how: dev ? `it says ${JSON.stringify(shown)} where ${JSON.stringify(next)} belongs` : '',
        });
      target.data = shown = next;
    };
    keep(block, level, mask, run);
  };
}

/** A value as the text of a script of data, the same text as in HTML. */
export function json(get: Get, name: string): Get {
  return (scope) => {
    const value = get(scope);
    try {
      return jsonBlock(value);
    } catch (thrown) {
      throw failure(finding('value-not-json', { name, fault: jsonFault(thrown, value) }));
    }
  };
}
