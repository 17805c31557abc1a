import type { ComponentCore } from '../../component/index.js';
import { inspecting } from '../../plan/index.js';
import type { Core } from '../../template/index.js';
import { marksParts } from '../form.js';
import type { Where } from '../frame.js';
import type { Scope } from './env.js';
import type { Make, Step, Steps } from './steps.js';

// Comments around what a use comes to, and around what fills its slots, by which a page that is being developed finds
// who wrote what. A page takes them out when it has read them; what an element hydrates has none.

/** Whether uses are noted at a place: not in shadow roots, whose elements know it, nor where a comment is text. */
function isNoted({ env, tag }: Scope): boolean {
  return inspecting.isOn && !marksParts(env.form) && !/^(?:script|style|title|textarea)$/.test(tag);
}

export function openUse(
  component: ComponentCore,
  props: readonly Core[],
  where: Where,
  to: Steps,
  at: Scope,
): void {
  if (!isNoted(at)) return;
  const make: Make = (frame, _where, ...values) => {
    const { uses } = frame.pass;
    if (!uses) return '';
    uses.push({ component, path: where.path(frame), treePath: where.treePath(frame), props: values });
    return `<!--lattice:${uses.length - 1}-->`;
  };
  to.push({ kind: 'made', make, values: props, where });
}

export function closeUse(to: Steps, at: Scope): void {
  if (isNoted(at)) to.push(mark('/', at.env.where));
}

/** What fills a slot, which is written by who uses the component. */
export function fromOutside(content: readonly Step[], at: Scope): readonly Step[] {
  if (!isNoted(at) || content.length === 0) return content;
  return [mark('^', at.env.where), ...content, mark('v', at.env.where)];
}

function mark(sign: string, where: Where): Step {
  return { kind: 'made', make: ({ pass }) => (pass.uses ? `<!--lattice:${sign}-->` : ''), values: [], where };
}
