import { elementMembers, scriptEvents } from '../generated/element-members.js';
import { dev, type Finding, finding, tagName } from '../problem/index.js';
import { nameBreakers } from '../template/index.js';
import { attributeOf } from './attribute-of.js';

/**
 * What is wrong with the names of props: each is an attribute of the component's tag, and a property of its element. What
 * would carry a script, or write more than an attribute, is refused in production, too.
 */
export function propNameFaults(component: string, names: readonly string[]): readonly Finding[] {
  const found: Finding[] = [];
  for (const name of names) {
    const attribute = attributeOf(name).toLowerCase();
    const fault = faultOf(name, attribute, names);
    if (fault === undefined) continue;
    const said = `The prop ${JSON.stringify(name)} of ${tagName(component)} ${fault}.`;
    found.push(finding('definition-invalid', { fault: said, hint: 'Use another name.' }));
  }
  return found;
}

function faultOf(name: string, attribute: string, names: readonly string[]): string | undefined {
  if (nameBreakers.test(name)) return 'has a name that no attribute can have';
  if (attribute.startsWith('on') && scriptEvents.has(attribute.slice(2)))
    return `would be the attribute ${attribute}, which carries a script as text`;
  if (!dev) return undefined;
  if (elementMembers.has(name)) return `has the name of something that each element has already`;
  const other = names.find((one) => one !== name && attributeOf(one).toLowerCase() === attribute);
  return other && names.indexOf(other) < names.indexOf(name)
    ? `is the same attribute, ${attribute}, as the prop ${JSON.stringify(other)}`
    : undefined;
}
