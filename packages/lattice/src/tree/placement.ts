import type { ComponentCore } from '../component/index.js';
import { type Finding, finding, tagName } from '../problem/index.js';

/**
 * Why a component may not stand where it does: none of the components that it stands in is one that it names.
 *
 * @param parents the component in whose content or template it is written, and the one that shows that content; none
 * on a page itself
 */
export function placementFault(
  { name, placement }: ComponentCore,
  parents: readonly ComponentCore[],
): Finding | undefined {
  const allowed = placement?.parents;
  if (!allowed || parents.some((one) => namesOf(one).some((word) => allowed.includes(word))))
    return undefined;
  const [written] = parents;
  return finding('component-misplaced', {
    component: name,
    place: written ? `in ${tagName(written.name)}` : 'in no component',
    hint: placementSentence(allowed),
  });
}

/** The words by which `parents` of another component may mean this one. */
function namesOf({ name, placement }: ComponentCore): readonly string[] {
  return [name, ...(placement?.names ?? [])];
}

/** Where a component may stand, as one sentence; nothing where it may stand anywhere. */
export function placementText({ placement }: ComponentCore): string | undefined {
  return placement?.parents && placementSentence(placement.parents);
}

function placementSentence(parents: readonly string[]): string {
  return parents.length === 0
    ? 'It stands on a page itself, in no other component.'
    : `It stands in ${parents.map((one) => (one.includes('-') ? tagName(one) : `what is called "${one}"`)).join(' or ')}.`;
}
