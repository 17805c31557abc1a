import { type AnyKind, attributeOf, type ComponentCore } from '../../component/index.js';
import { Constant } from './call.js';
import type { Dependencies } from './dependencies.js';

/** The rule of a prop, which a page has as it is declared, or as written code. */
export class RuleOf {
  readonly kind: AnyKind;
  /** Where it is declared: the component, and the prop. */
  readonly component: string;
  readonly prop: string;

  constructor(kind: AnyKind, component: string, prop: string) {
    this.kind = kind;
    this.component = component;
    this.prop = prop;
  }
}

/** The value of a prop that is left out. */
export class Fallback extends Constant {
  readonly component: string;
  readonly prop: string;

  constructor(value: unknown, component: string, prop: string) {
    super(value);
    this.component = component;
    this.prop = prop;
  }
}

/** A prop as a page has it; its mask is that of what reads it. */
export function compiledProp(
  component: ComponentCore,
  index: number,
  dependencies: Dependencies,
): Record<string, unknown> {
  const name = component.props.names[index] as string;
  const kind = component.props.kinds[index] as AnyKind;
  const { fallbackValue, presence } = kind.settings;
  return {
    name,
    ...(attributeOf(name) !== name && { attribute: attributeOf(name) }),
    mask: dependencies.of(`prop ${name}`),
    rule: new RuleOf(kind, component.name, name),
    ...(fallbackValue !== undefined && { fallback: new Fallback(fallbackValue, component.name, name) }),
    ...(presence === 'optional' && { isOptional: true }),
  };
}
