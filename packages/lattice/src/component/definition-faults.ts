import { elementMembers } from '../generated/element-members.js';
import { type Finding, finding, nearestOr, printValue, tagName } from '../problem/index.js';
import { componentCore, type TemplateText } from './core.js';
import { isKind, isRecord } from './kind.js';

/** What is wrong with a part, completing "The … of <x-y> "; nothing where it is right. */
type Fault = string | undefined;

const isText = (value: unknown): boolean =>
  typeof value === 'string' || (isRecord(value) && typeof value.text === 'string');

function must(isRight: boolean, what: string, value: unknown): Fault {
  return isRight ? undefined : `has to be ${what}, and is ${printValue(value)}`;
}

const isFunction = (value: unknown): boolean => typeof value === 'function';
const functionFault = (value: unknown): Fault => must(isFunction(value), 'a function', value);
const isTagKind = (value: unknown): boolean => isKind(value) && value.rules.word === 'tag';
const isSlotKind = (value: unknown): boolean => isRecord(value) && 'needed' in value && 'hands' in value;
const isNodeKind = (value: unknown): boolean => isRecord(value) && 'isKeyed' in value;
const isEventKind = (value: unknown): boolean => isRecord(value) && 'description' in value;

/** What each part of a definition may be. */
const parts: Readonly<Record<string, (value: unknown) => Fault>> = {
  description: (value) => must(typeof value === 'string', 'one sentence of text', value),
  deprecated: (value) => must(typeof value === 'string', 'a text that says what to use instead', value),
  props: (value) => eachFault(value, 'a prop', isKind, 'made by prop.text() and the like'),
  slots: (value) => eachFault(value, 'a slot', isSlotKind, 'made by slot()'),
  accepts: (value) => must(typeof value === 'string', 'the name of a prop', value),
  placement: placementFault,
  styles: (value) => must([value].flat().every(isText), 'CSS text, a file of it, or a list of these', value),
  events: (value) => eachFault(value, 'an event', isEventKind, 'made by event()'),
  state: functionFault,
  load: functionFault,
  loadTimeOut: (value) => must(typeof value === 'number' && value > 0, 'a number of milliseconds', value),
  keepLoaded: (value) => must(typeof value === 'boolean', 'true or false', value),
  onFailure: () => undefined,
  handlers: (value) => eachFault(value, 'a handler', isFunction, 'a function'),
  reactions: (value) => eachFault(value, 'a reaction', isFunction, 'a function'),
  provides: functionFault,
  field: (value) =>
    must(isRecord(value) && isFunction(value.value), 'a record with a function "value"', value),
  connected: functionFault,
  shown: functionFault,
  states: functionFault,
  aria: functionFault,
  follows: (value) => eachFault(value, 'a field', (one) => typeof one === 'string', 'the name of a prop'),
  elementMethods: (value) => eachFault(value, 'a method', isFunction, 'a function'),
  nodes: (value) => eachFault(value, 'a node', isNodeKind, "made by node('input')"),
  template: (value) =>
    must(
      isFunction(value) || isText(value),
      'a function that returns content, HTML text or a file of it',
      value,
    ),
  uses: usesFault,
  joinLines: (value) => must(typeof value === 'boolean', 'true or false', value),
  helpers: (value) => eachFault(value, 'a helper', isFunction, 'a function'),
  foreign: (value) => must(Array.isArray(value), 'a list of tag names and patterns', value),
};

/** A module that imports this one too may not have made its component yet: what is not there is looked at later. */
function usesFault(value: unknown): Fault {
  if (!Array.isArray(value)) return must(false, 'a list of components', value);
  const wrong = value.find((one) => one !== undefined && !componentCore(one));
  return wrong === undefined
    ? undefined
    : `has in its list something that is no component, but ${printValue(wrong)}`;
}

/** Beside `names` and `parents` there is nothing, and a word is in a list though it be the only one. */
function placementFault(value: unknown): Fault {
  if (!isRecord(value)) return must(false, 'a record with "names" or "parents"', value);
  for (const [part, words] of Object.entries(value)) {
    if (part !== 'names' && part !== 'parents')
      return `has "${part}", where there is only "names" and "parents"`;
    const isList = Array.isArray(words) && words.every((word) => typeof word === 'string' && word !== '');
    if (words !== undefined && !isList)
      return `has "${part}" that has to be a list of names, and is ${printValue(words)}`;
  }
  return undefined;
}

function eachFault(value: unknown, one: string, isRight: (value: unknown) => boolean, what: string): Fault {
  if (!isRecord(value)) return must(false, 'a record', value);
  for (const [name, item] of Object.entries(value)) {
    if (isRight(item)) continue;
    const call = isFunction(item) ? ' that was not called' : '';
    return `has ${one} "${name}" that is not ${what}, but ${printValue(item)}${call}`;
  }
  return undefined;
}

/** Methods of elements that one may have for its own: what they do is the element's to say. */
const ownToSay = /^(?:focus|blur|click)$/;

/** What a method would replace, a prop or what a page and the library need of each element; nothing where its name is free. */
function replacedBy(method: string, props: unknown): Fault {
  if (isRecord(props) && Object.hasOwn(props, method)) return 'a prop';
  const isOfEach = elementMembers.has(method) || /Callback$/.test(method);
  return isOfEach && !ownToSay.test(method) ? 'something that each element has already' : undefined;
}

/** Everything in a definition that cannot be what it stands for. */
export function definitionFaults(name: string, definition: unknown): readonly Finding[] {
  const component = tagName(name);
  const say = (fault: string, hint: string): Finding => finding('definition-invalid', { fault, hint });
  if (!isRecord(definition))
    return [
      say(
        `The definition of ${component} has to be a record with a template, and is ${printValue(definition)}.`,
        isFunction(definition)
          ? 'A component of any item is made by component.generic.'
          : `Write component('${name}', { template: … }).`,
      ),
    ];
  const found: Finding[] = [];
  if (definition.template === undefined)
    found.push(
      say(`The definition of ${component} has no template.`, 'Add one: template: ({ props, slots }) => ….'),
    );
  for (const [part, value] of Object.entries(definition)) {
    if (value === undefined) continue;
    const check = Object.hasOwn(parts, part) ? parts[part] : undefined;
    if (!check)
      found.push(
        say(
          `The definition of ${component} has a part "${part}", which there is not.`,
          nearestOr(part, Object.keys(parts), `The parts are: ${Object.keys(parts).join(', ')}.`),
        ),
      );
    const path = part === 'template' || part === 'styles' ? pathIn(value) : undefined;
    if (path !== undefined)
      found.push(
        say(
          `The part "${part}" of ${component} is the path of a file, ${path}, and not what stands in it.`,
          `Read the file: ${part}: markupFile(import.meta.url, '${path}').`,
        ),
      );
    const missing = part === 'template' || part === 'styles' ? unreadIn(value) : undefined;
    if (missing) {
      found.push(finding('file-missing', { what: `The part "${part}" of ${component}`, ...missing }));
      continue;
    }
    const fault = check?.(value);
    if (fault !== undefined)
      found.push(say(`The part "${part}" of ${component} ${fault}.`, `Change "${part}" in its definition.`));
  }
  const { accepts, elementMethods, field, follows, nodes, props } = definition;
  for (const method of Object.keys(isRecord(elementMethods) ? elementMethods : {})) {
    const replaced = replacedBy(method, props);
    if (replaced !== undefined)
      found.push(
        say(`The method "${method}" of ${component} has the name of ${replaced}.`, 'Use another name.'),
      );
  }
  const focuses = isRecord(field) ? field.focuses : undefined;
  const nodeNames = isRecord(nodes) ? Object.keys(nodes) : [];
  if (focuses !== undefined && !nodeNames.includes(String(focuses)))
    found.push(
      say(
        `The part "field" of ${component} focuses "${focuses}", which is none of its nodes.`,
        nearestOr(
          String(focuses),
          nodeNames,
          "Name a node: nodes: { field: node('input') }, focuses: 'field'.",
        ),
      ),
    );
  const propNames = isRecord(props) ? Object.keys(props) : [];
  for (const [field, prop] of Object.entries(isRecord(follows) ? follows : {}))
    if (typeof prop === 'string' && !propNames.includes(prop))
      found.push(
        say(
          `The part "follows" of ${component} has "${field}" follow "${prop}", which is no prop.`,
          nearestOr(prop, propNames, 'Name a prop of the component.'),
        ),
      );
  if (typeof accepts === 'string' && !isTagKind(isRecord(props) ? props[accepts] : undefined))
    found.push(
      say(
        `The part "accepts" of ${component} names "${accepts}", which is no prop made by prop.tag().`,
        nearestOr(accepts, tagProps(props), 'Name the prop that chooses the element.'),
      ),
    );
  return found;
}

/** A file that could not be read, and why. */
function unreadIn(value: unknown): ({ readonly file: string } & TemplateText['unread']) | undefined {
  const texts = [value].flat().filter((one): one is TemplateText => isRecord(one));
  for (const { file = '', unread } of texts) if (unread) return { file, ...unread };
  return undefined;
}

/** A text that is nothing but the path of a file. */
function pathIn(value: unknown): string | undefined {
  return [value]
    .flat()
    .find(
      (one): one is string =>
        typeof one === 'string' && /^(?:\.{0,2}\/)?[\w./-]+\.(?:html?|css)$/.test(one.trim()),
    );
}

function tagProps(props: unknown): readonly string[] {
  return isRecord(props) ? Object.keys(props).filter((name) => isTagKind(props[name])) : [];
}
