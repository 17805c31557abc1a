import { alwaysPlaces, type PlanFill, type PlanNode } from '../../tree/index.js';
import type { Writer } from './writer.js';

/** The code of a test whether content given to a slot comes to anything. */
export function fillTestCode(fill: PlanFill, to: Writer): string {
  return `{ isFilled: (f) => ${alwaysPlaces(fill) ? 'true' : testOf(fill.content, to)} }`;
}

function testOf(content: readonly PlanNode[], to: Writer): string {
  const tests = content.map((node) => nodeTest(node, to));
  return tests.length === 0 ? 'false' : `(${tests.join(' || ')})`;
}

function nodeTest(node: PlanNode, to: Writer): string {
  switch (node.kind) {
    case 'given':
      return `(${to.value(node.test)} ? ${testOf(node.content, to)} : ${testOf(node.otherwise, to)})`;
    case 'each': {
      const { list } = node;
      const full = 'get' in list ? `${to.name('isFull')}(${to.value(list)})` : String(list.length > 0);
      return `(${full} || ${testOf(node.empty, to)})`;
    }
    case 'slot':
      return `(${to.name('isFilled')}(f, ${node.slot}) && f.owner !== undefined || ${testOf(node.fallback, to)})`;
    case 'value':
      return `${to.name('isSomething')}(${to.value(node.value)})`;
    default:
      return 'true';
  }
}
