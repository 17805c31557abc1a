import { finding, printValue } from '../../problem/index.js';
import { attributeRule, isRecord, operand, type Report } from '../../template/index.js';
import { isNothing, type PropertyAttribute } from './plan-attribute.js';

const harmful = /^(?:on|__proto__$|(?:inner|outer)(?:HTML|Text)$|textContent$|nodeValue$|srcdoc$|cssText$)/;

/** What a visitor changes, with what ties it to the state instead. */
const visitors: ReadonlySet<string> = new Set(['value', 'checked', 'files', 'valueAsDate', 'valueAsNumber']);

/** Whether a property starts as what a boolean attribute of the same name says, which a server writes. */
export function startsAsAttribute(tag: string, property: string): boolean {
  return /^(?:audio|video) muted$|^option selected$/.test(`${tag} ${property}`);
}

/** What `properties` sets on an element in a page: what no attribute stands for. */
export function planProperties(
  value: unknown,
  tags: readonly string[] | undefined,
  tag: string,
  report: Report,
): readonly PropertyAttribute[] {
  if (isNothing(value)) return [];
  const say = (attribute: string, fault: string, hint: string): void =>
    report(finding('attribute-invalid', { attribute, tag, fault, hint }));
  const example = 'Write the properties by name: properties: { indeterminate: state.some }.';
  if (!isRecord(value)) {
    say('properties', `expects a record of values by property, but received ${printValue(value)}`, example);
    return [];
  }
  const isForeign = tags?.every((one) => one.includes('-')) ?? false;
  return Object.entries(value).flatMap(([name, given]): readonly PropertyAttribute[] => {
    if (given === undefined) return [];
    const [fault, hint] = faultOf(name, tags, isForeign) ?? [];
    if (fault !== undefined && hint !== undefined) {
      say('properties', fault, hint);
      return [];
    }
    return [{ kind: 'property', key: `property ${name}`, name, value: operand(given) }];
  });
}

function faultOf(
  name: string,
  tags: readonly string[] | undefined,
  isForeign: boolean,
): readonly [fault: string, hint: string] | undefined {
  if (harmful.test(name))
    return [
      `sets ${name}, which is read as code or replaces content`,
      'Write content in the template: text, elements, or trusted(html). Listeners are in on.',
    ];
  if (isForeign) return undefined;
  if (visitors.has(name))
    return [
      `sets ${name}, which would undo what a visitor enters`,
      `Tie the control to the state with bind, or write its first value as an attribute.`,
    ];
  const rule = attributeRule(tags, name.toLowerCase());
  if (rule !== 'plain' && rule !== 'worded')
    return [
      `sets ${name}, whose address is only checked as an attribute`,
      `Write it as an attribute: ${name.toLowerCase()}.`,
    ];
  if (name === 'style' || name === 'className')
    return [`sets ${name}`, 'Write the attributes class and style.'];
  return undefined;
}
