import { dev, failure, finding } from '../../problem/index.js';
import { jsonBlock, jsonFault } from '../../template/json.js';
import type { Scope } from '../../template/scope.js';
import type { Binding } from './block.js';
import type { Instance } from './instance.js';

/** How to have a value of a scope. */
export type Get = (scope: Scope) => unknown;

/** Says that a value is no content. */
export type Misfit = (value: unknown, instance: Instance) => void;

const misfit: Misfit = (value, instance) => {
  if (dev) instance.tell('content-not-allowed', { what: typeof value, place: 'here', hint: '' });
  else instance.tell('content-not-allowed', { what: typeof value } as never);
};

/** A value in a text node. */
export function text(get: Get, mask: number, level = 0, tell = misfit): Binding {
  return {
    level,
    mask,
    get,
    put(node, value, instance) {
      let next = '';
      if (typeof value === 'string' || typeof value === 'number' || typeof value === 'bigint')
        next = `${value}`;
      else if (value) tell(value, instance);
      if (instance.adoption) {
        if (next === node.nodeValue) return;
        instance.tell('markup-differs', {
          how: dev ? `it says ${JSON.stringify(node.nodeValue)} where ${JSON.stringify(next)} belongs` : '',
        });
      }
      node.nodeValue = next;
    },
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
