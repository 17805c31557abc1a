import { dev, failure, finding } from '../../problem/index.js';
import { jsonBlock, jsonFault } from '../../template/json.js';
import type { Scope } from '../../template/scope.js';
import type { Put } from './block.js';
import type { Instance } from './instance.js';

/** How to have a value of a scope. */
export type Get = (scope: Scope) => unknown;

/** Says that a value is no content. */
export type Misfit = (value: unknown, instance: Instance) => void;

/** Shows a value in a text node. */
export function putText(node: Text, value: unknown, instance: Instance, misfit = isMisfit): void {
  const text =
    typeof value === 'string' || typeof value === 'number' || typeof value === 'bigint' ? `${value}` : '';
  if (value && !text) misfit(value, instance);
  if (text === node.data) return;
  if (instance.adoption)
    instance.tell(
      'markup-differs',
      (dev
        ? { how: `it says ${JSON.stringify(node.data)} where ${JSON.stringify(text)} belongs` }
        : {}) as never,
    );
  node.data = text;
}

const isMisfit: Misfit = (value, instance) => {
  instance.tell('content-not-allowed', {
    what: typeof value,
    ...(dev && { place: 'here', hint: '' }),
  } as never);
};

/** The same, in words of one's own for what is no content. */
export function text(misfit?: Misfit): Put {
  return (node, value, instance) => putText(node as Text, value, instance, misfit);
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
