import { type AnyKind, type ComponentCore, kindFacts } from '../../component/index.js';
import { escapeAttribute } from '../../template/escape.js';
import type { Core } from '../../template/index.js';

/** The kind of a prop that always holds something, where an expression is one. */
function kindOf({ op }: Core, component: ComponentCore | undefined): AnyKind | undefined {
  const kind = op.op === 'prop' ? component?.props.kinds[op.index] : undefined;
  return kind?.settings.presence === 'optional' ? undefined : kind;
}

/** Whether a prop always holds text, so that an attribute of it is always there. */
export function isTextProp(core: Core, component: ComponentCore | undefined): boolean {
  const kind = kindOf(core, component);
  return kind !== undefined && kindFacts[kind.rules.word].type === 'string';
}

export function isFlagProp(core: Core, component: ComponentCore | undefined): boolean {
  return kindOf(core, component)?.rules.word === 'flag';
}

/** Whether what a prop holds can be written with no escapes: numbers, and words that have nothing to escape. */
export function isPlainProp(core: Core, component: ComponentCore | undefined): boolean {
  const kind = kindOf(core, component);
  return kind !== undefined && holdsPlain(kind);
}

/** Whether values of a kind can be written with no escapes. */
export function holdsPlain(kind: AnyKind): boolean {
  return kind.rules.word === 'number' || isOfPlainWords(kind);
}

/** Whether a prop always holds one of some words that have nothing to escape. */
export function isPlainWord(core: Core, component: ComponentCore | undefined): boolean {
  const kind = kindOf(core, component);
  return kind !== undefined && isOfPlainWords(kind);
}

function isOfPlainWords({ rules: { holds, word } }: AnyKind): boolean {
  return (
    word === 'choice' &&
    (holds as readonly string[]).every((one) => one !== '' && escapeAttribute(one) === one)
  );
}
