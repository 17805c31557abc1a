import { attributeOf } from 'zesty-lattice/internal/component';
import type { Catalogue, ComponentFacts, FieldFacts, SlotFacts } from '../reading/facts.js';
import type { DeclaredIn } from './declared.js';
import type { Open, Spot, Spotted } from './spot.js';

/** Something that may stand at a place, and what is known of it. */
export interface Known {
  readonly word: string;
  readonly what: 'component' | 'prop' | 'slot' | 'choice' | 'handler' | 'name' | 'directive';
  /** In a few words: the kind, or where it comes from. */
  readonly detail: string;
  /** In Markdown. */
  readonly about: string;
  /** The component whose prop it is. */
  readonly prop?: { readonly component: string; readonly prop: string };
  /** Where it is written: in which definition of a file, and from which line on the word is looked for otherwise. */
  readonly written?: Written;
  /** What it takes, where it is called: names, as they are written in the module. */
  readonly takes?: readonly string[];
}

export interface Written {
  readonly file: string;
  readonly line: number;
  readonly word: string;
  readonly component: string;
  readonly part: DeclaredIn;
}

/** What may stand at a place in HTML text; `owner` is the component whose template it is, if it is one. */
export function knownAt(
  { open, spot }: Spotted,
  { components }: Catalogue,
  owner: ComponentFacts | undefined,
): readonly Known[] {
  const tags = new Map(components.map((one) => [one.name, one]));
  switch (spot.kind) {
    case 'tag':
      return spot.isEnd
        ? endTags(open)
        : components.filter((one) => mayStand(one, tags, owner, open)).map(ofComponent);
    case 'attribute':
      return attributesOf(spot, tags, owner, open);
    case 'value':
      return valuesOf(spot, tags, owner, open);
    case 'expression':
      return namesIn(spot.path, owner, open);
    case 'text':
      return [];
  }
}

function endTags(open: readonly Open[]): readonly Known[] {
  const innermost = open.at(-1);
  return innermost ? [{ word: innermost.tag, what: 'component', detail: 'ends here', about: '' }] : [];
}

/** Whether a component may stand there: in what is around it in the text, or in the component whose template it is. */
function mayStand(
  { placement: { parents } }: ComponentFacts,
  tags: ReadonlyMap<string, ComponentFacts>,
  owner: ComponentFacts | undefined,
  open: readonly Open[],
): boolean {
  if (!parents) return true;
  const around = open.map(({ tag }) => tags.get(tag)).findLast((one) => one !== undefined) ?? owner;
  return around
    ? [around.name, ...around.placement.names].some((word) => parents.includes(word))
    : parents.length === 0;
}

function ofComponent(facts: ComponentFacts): Known {
  const { description, exportName, line, name, props, shown, slots } = facts;
  const parts = [
    description,
    props.length > 0
      ? `Props: ${props.map((one) => `\`${one.name}\` ${one.kind}${one.isNeeded ? ', needed' : ''}`).join('; ')}.`
      : '',
    slots.length > 0 ? `Slots: ${slots.map((one) => `\`${one.name}\``).join(', ')}.` : '',
    `\`${exportName}\` in ${shown}:${line}`,
  ];
  return {
    word: name,
    what: 'component',
    detail: description,
    about: parts.filter(Boolean).join('\n\n'),
    written: { file: facts.file, line, word: name, component: name, part: 'component' },
  };
}

export function ofProp(field: FieldFacts, owner: ComponentFacts, word = field.name): Known {
  const about = [
    field.description,
    `Takes ${field.expected}${field.isNeeded ? '; it is needed' : field.fallback === '' ? '' : `; \`${field.fallback}\` if left out`}.`,
    `A prop of \`${owner.name}\`.`,
  ];
  return {
    word,
    what: 'prop',
    detail: field.kind,
    about: about.filter(Boolean).join('\n\n'),
    prop: { component: owner.name, prop: field.name },
    written: { file: owner.file, line: owner.line, word: field.name, component: owner.name, part: 'props' },
  };
}

const directives: Readonly<Record<string, string>> = {
  given: 'Shows what is in it where the expression holds.',
  otherwise: 'Shows its content if the condition before it is false.',
  'each-of': 'Repeats what is in it for each item of a list.',
  as: 'What an item, or what a slot hands over, is called in it.',
  key: 'The field that is different for each row.',
  index: 'What the number of a row is called in it, from 0.',
  of: 'The list of the state that the rows are calculated from, for controls in them.',
  loading: 'Shown while the component’s data is loaded.',
  loaded: 'Shown when the data is there; as="…" says what it is called.',
  failed: 'Shown when the data could not be loaded; as="…" says what the fault is called.',
  slot: 'The slot that what is in it fills.',
};

/** What a use says of its component's element most often. */
const ofElement = ['id', 'class', 'style', 'hidden', 'part'];

function attributesOf(
  { others, tag }: Extract<Spot, { kind: 'attribute' }>,
  tags: ReadonlyMap<string, ComponentFacts>,
  owner: ComponentFacts | undefined,
  open: readonly Open[],
): readonly Known[] {
  const facts = tags.get(tag);
  const found: Known[] = facts
    ? facts.props.map((field) => ofProp(field, facts, attributeOf(field.name)))
    : [];
  if (facts)
    for (const word of ofElement)
      if (!found.some((one) => one.word === word))
        found.push({ word, what: 'directive', detail: '', about: 'Of the component’s element.' });
  if (tag === 'template')
    for (const [word, about] of Object.entries(directives))
      found.push({ word, what: 'directive', detail: '', about });
  const parent = tags.get(open.at(-1)?.tag ?? '');
  if (parent?.slots.some(({ name }) => name !== 'default') && tag !== 'template')
    found.push({ word: 'slot', what: 'directive', detail: '', about: `A slot of \`${parent.name}\`.` });
  if (owner && owner.text.handlers.length > 0 && tag !== 'template')
    found.push({
      word: 'handles',
      what: 'directive',
      detail: '',
      about: 'Events and the handlers that they call: `click: add(1)`.',
    });
  return found.filter(({ word }) => !others.includes(word));
}

function valuesOf(
  { attribute, tag, word }: Extract<Spot, { kind: 'value' }>,
  tags: ReadonlyMap<string, ComponentFacts>,
  owner: ComponentFacts | undefined,
  open: readonly Open[],
): readonly Known[] {
  const facts = tags.get(tag);
  const field = facts?.props.find((one) => attributeOf(one.name) === attribute);
  if (facts && field)
    return field.words.map((one) => ({
      word: one,
      what: 'choice',
      detail: field.name,
      about: field.description,
    }));
  if (attribute === 'slot') {
    const around = tags.get(open.at(-1)?.tag ?? '');
    return around ? around.slots.map((one) => ofSlot(one, around)) : [];
  }
  if (attribute === 'name' && tag === 'slot')
    return owner ? owner.slots.map((one) => ofSlot(one, owner)) : [];
  if (attribute === 'handles' && owner) {
    if (!/:[^;]*$/.test(word)) {
      const events = facts?.events.map(({ description, name }) => ({ name, about: description })) ?? [];
      const usual = ['click', 'input', 'change', 'submit', 'keydown'].map((name) => ({ name, about: '' }));
      return [...events, ...usual].map(({ about, name }) => ({
        word: name,
        what: 'name',
        detail: 'event',
        about,
      }));
    }
    return owner.text.handlers.map((name) => ofOwn(name, 'handler', 'handlers', owner));
  }
  if (/^(?:given|each-of|bind)$/.test(attribute)) return namesIn(pathIn(word), owner, open);
  return [];
}

/** The fields before the word that an expression ends with. */
export function pathIn(written: string): readonly string[] {
  return (/((?:[A-Za-z_$][\w$]*\.)*)[A-Za-z_$]?[\w$]*$/.exec(written)?.[1] ?? '').split('.').slice(0, -1);
}

function ofOwn(
  word: string,
  what: Known['what'],
  part: 'state' | 'handlers' | 'helpers',
  owner: ComponentFacts,
): Known {
  const detail = part === 'state' ? part : part.slice(0, -1);
  const takes = owner.text.takes[word];
  return {
    word,
    what,
    detail: takes ? `${detail} ${word}(${takes.join(', ')})` : detail,
    about: `A ${detail} of \`${owner.name}\`.`,
    written: { file: owner.file, line: owner.line, word, component: owner.name, part },
    ...(takes && { takes }),
  };
}

function ofSlot(
  { description, hands, name }: SlotFacts,
  { file, line, name: component }: ComponentFacts,
): Known {
  return {
    word: name,
    what: 'slot',
    detail: hands ? 'passes data' : '',
    about: description,
    written: { file, line, word: name, component, part: 'slots' },
  };
}

/** The names that an expression may read: those of the component, and those of rows and slots around. */
function namesIn(
  path: readonly string[],
  owner: ComponentFacts | undefined,
  open: readonly Open[],
): readonly Known[] {
  const ofRecord =
    owner && path.length > 0 && !localsIn(open).some(({ name }) => name === path[0])
      ? partsOf(path, owner)
      : undefined;
  if (ofRecord) return ofRecord;
  if (path.length > 0) {
    const kind = kindOf(path, owner, open);
    return (kind?.kind === 'record' ? kind.parts : []).map((field) => ({
      word: field.name,
      what: 'name',
      detail: field.kind,
      about: [field.description, `Takes ${field.expected}.`].filter(Boolean).join('\n\n'),
    }));
  }
  const locals = localsIn(open).map(({ name }) => {
    const kind = kindOf([name], owner, open);
    return {
      word: name,
      what: 'name' as const,
      detail: kind?.kind ?? 'of the row',
      about: 'It stands for an item, or for what a slot hands over.',
    };
  });
  if (!owner) return locals;
  return [
    ...locals,
    ...owner.props.map((field) => ofProp(field, owner)),
    ...(path.length === 0 ? namespaces(owner) : []),
    ...owner.text.state.map((name) => ofOwn(name, 'name', 'state', owner)),
    ...owner.text.helpers.map((name) => ofOwn(name, 'name', 'helpers', owner)),
  ];
}

/** The words that tell names of one kind apart, where the component has any. */
function namespaces({ name, props, slots, text }: ComponentFacts): readonly Known[] {
  const all: readonly (readonly [word: string, count: number])[] = [
    ['props', props.length],
    ['state', text.state.length],
    ['slots', slots.length],
  ];
  return all
    .filter(([, count]) => count > 0)
    .map(([word]) => ({
      word,
      what: 'name',
      detail: '',
      about: `The ${word} of \`${name}\`, by their names.`,
    }));
}

/** What follows `props.`, `state.`, `slots.` and the name of a slot. */
function partsOf(path: readonly string[], owner: ComponentFacts): readonly Known[] | undefined {
  const [first = '', second = '', ...others] = path;
  if (owner.props.some(({ name }) => name === first) || others.length > 0) return undefined;
  if (second === '') {
    if (first === 'props') return owner.props.map((field) => ofProp(field, owner));
    if (first === 'state') return owner.text.state.map((name) => ofOwn(name, 'name', 'state', owner));
    if (first === 'slots') return owner.slots.map((one) => ofSlot(one, owner));
  } else if (first === 'slots' && owner.slots.some(({ name }) => name === second))
    return [{ word: 'filled', what: 'name', detail: 'flag', about: 'Whether the slot has content.' }];
  return undefined;
}

interface Local {
  readonly name: string;
  /** The list whose items it stands for; empty for what a slot passes. */
  readonly list: readonly string[];
}

function localsIn(open: readonly Open[]): readonly Local[] {
  return open.flatMap(({ attributes }) => {
    const { as, 'each-of': list = '', index } = attributes;
    const found: Local[] = index === undefined ? [] : [{ name: index, list: [] }];
    if (as !== undefined)
      found.push({ name: as, list: /^[\w$.]+$/.test(list.trim()) ? list.trim().split('.') : [] });
    return found;
  });
}

/** The declared kind of what a path leads to, so far as it is known. */
function kindOf(
  path: readonly string[],
  owner: ComponentFacts | undefined,
  open: readonly Open[],
): FieldFacts | undefined {
  const [first = '', ...rest] =
    path[0] === 'props' && !owner?.props.some(({ name }) => name === 'props') ? path.slice(1) : path;
  const index = open.findLastIndex(({ attributes }) => attributes.as === first);
  const local = index < 0 ? undefined : localsIn(open.slice(0, index + 1)).at(-1);
  const list = local && local.list.length > 0 ? kindOf(local.list, owner, open.slice(0, index)) : undefined;
  let kind = local
    ? list?.kind === 'list'
      ? list.parts[0]
      : undefined
    : owner?.props.find(({ name }) => name === first);
  for (const step of rest) kind = kind?.parts.find(({ name }) => name === step);
  return kind;
}
