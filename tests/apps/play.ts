import { register } from 'zesty-lattice/elements';
import { Dice } from './random.js';

/** Runs in Chromium: plays one app in a page, on an element that a server wrote and on one made anew. */

type Control = HTMLInputElement | HTMLTextAreaElement | HTMLSelectElement;
type Root = ParentNode & Node;

/** Waits for two turns. A timer would wait for some milliseconds more. */
async function turn(): Promise<void> {
  for (let left = 2; left > 0; left--) {
    const { port1, port2 } = new MessageChannel();
    await new Promise((done) => {
      port1.onmessage = done;
      port2.postMessage(0);
    });
    port1.close();
  }
}

/** Every element inside, also in shadow roots, in document order. */
function* elements(root: Root): Generator<Element> {
  for (const one of root.children) {
    yield one;
    if (one.shadowRoot) yield* elements(one.shadowRoot);
    yield* elements(one);
  }
}

const controlsIn = (root: Root): Control[] =>
  [...elements(root)].filter((one): one is Control => /^(?:input|textarea|select)$/.test(one.localName));

const isField = ({ localName }: Element): boolean =>
  (customElements.get(localName) as { formAssociated?: boolean } | undefined)?.formAssociated === true;

const texts = ['typed', '', 'b', 'x<y>&"', 'two', 'long enough to be wrong'];

/** Does to a control what a visitor does; `isHeard` is whether a script is there to hear it. */
function use(control: Control, dice: Dice, isHeard: boolean): void {
  if (control.matches(':disabled')) return;
  if (control instanceof HTMLSelectElement) {
    if (control.options.length === 0) return;
    if (control.multiple) for (const one of control.options) one.selected = dice.seldom(2);
    else control.selectedIndex = dice.below(control.options.length);
  } else if (control.type === 'checkbox') (control as HTMLInputElement).checked = dice.seldom(2);
  else if (control.type === 'radio') (control as HTMLInputElement).checked = true;
  else control.value = control.type === 'number' ? String(dice.below(9)) : dice.one(texts);
  if (!isHeard) return;
  for (const type of ['input', 'change'])
    control.dispatchEvent(new Event(type, { bubbles: true, composed: type === 'input' }));
}

/** What a visitor sees and a form would send, as text. Ids count by where they come, not by what they are. */
function seen(container: HTMLFormElement): string {
  const ids = new Map<string, number>();
  const lines: string[] = [];
  const look = (node: Node, depth: number): void => {
    const indent = ' '.repeat(depth);
    if (node instanceof Text && node.data !== '') {
      const last = lines.length - 1;
      if (lines[last]?.startsWith(`${indent}"`)) lines[last] += node.data;
      else lines.push(`${indent}"${node.data}`);
    }
    if (!(node instanceof Element) || /^(?:style|script|template)$/.test(node.localName)) return;
    const attributes = [...node.attributes]
      .filter(({ name }) => !/^(?:value|checked|selected|data-in.*)$/.test(name))
      // A server gives an element its props by attributes, a program by properties.
      .filter(({ name }) => !node.localName.includes('-') || !/^(?:label|count|flag|items)$/.test(name))
      .map(({ name, value }) => {
        if (name !== 'id') return `${name}=${name === 'style' ? (node as HTMLElement).style.cssText : value}`;
        if (!ids.has(value)) ids.set(value, ids.size);
        return `id=#${ids.get(value)}`;
      })
      .sort();
    const control = node as HTMLInputElement & HTMLSelectElement;
    const live =
      node instanceof HTMLSelectElement
        ? ` chosen=${[...node.selectedOptions].map((one) => one.index)}`
        : node instanceof HTMLInputElement || node instanceof HTMLTextAreaElement
          ? ` value=${control.value} checked=${control.checked} disabled=${control.matches(':disabled')}`
          : '';
    lines.push(`${indent}<${node.localName} ${attributes.join(' ')}${live}>`);
    if (node instanceof HTMLTextAreaElement) return;
    if (node.shadowRoot) {
      lines.push(`${indent} #shadow`);
      for (const child of node.shadowRoot.childNodes) look(child, depth + 2);
    }
    for (const child of node.childNodes) look(child, depth + 1);
  };
  for (const child of container.childNodes) look(child, 0);
  const forms = [container, ...elements(container)].filter((one) => one instanceof HTMLFormElement);
  const sent = forms.map((form) => `form: ${[...new FormData(form)].map((one) => one.join('=')).join('&')}`);
  return `${lines.join('\n')}\n${sent.join('\n')}`;
}

/**
 * Controls that show something else than the state that they are tied to, as the component's own `output` says it. Two
 * elements may agree and both be wrong.
 */
function untied(container: Root): { readonly looked: number; readonly wrong: readonly string[] } {
  const wrong: string[] = [];
  let looked = 0;
  for (const one of elements(container)) {
    const root = one.shadowRoot;
    if (root && isField(one)) wrong.push(...untiedField(one as Field));
    if (one.localName === 'samp' && one.textContent !== sharedWith(one))
      wrong.push(`reads "${one.textContent}", is given "${sharedWith(one)}"`);
    const said = root?.querySelector('output')?.textContent?.split('|') ?? [];
    if (!root || said.length !== 7) continue;
    const [text, count, flag, pick, many, way] = said as [string, string, string, string, string, string];
    const of = (selector: string): HTMLInputElement[] =>
      [...root.querySelectorAll<HTMLInputElement>(selector)].filter((one) =>
        /^[cd]\d/.test(one.ariaLabel ?? ''),
      );
    const held = (one: HTMLInputElement | HTMLSelectElement, wanted: string, shown: string): void => {
      looked++;
      if (shown !== wanted)
        wrong.push(`${one.ariaLabel}: shows ${JSON.stringify(shown)}, is ${JSON.stringify(wanted)}`);
    };
    for (const one of of('input:not([type])')) held(one, text, one.value);
    for (const one of of('input[type=number]')) held(one, count, one.value);
    for (const one of of('input[type=checkbox]')) held(one, flag, String(one.checked));
    for (const one of of('input[type=radio]')) held(one, String(one.value === way), String(one.checked));
    for (const one of of('select') as unknown as HTMLSelectElement[]) {
      const chosen = [...one.selectedOptions].map(({ value }) => value);
      if (!one.multiple) held(one, pick, chosen[0] ?? (one.options.length === 0 ? pick : ''));
      else held(one, many, chosen.join());
    }
  }
  return { looked, wrong };
}

type Field = HTMLElement & { value?: string; readonly form: HTMLFormElement | null };

/** What a field of ours says or sends that is not what it shows, at once and not only when it has been drawn again. */
function untiedField(field: Field): readonly string[] {
  const control = field.shadowRoot?.querySelector('input');
  if (!control) return [];
  const name = field.getAttribute('name');
  const isSent = name !== null && field.form && !field.matches(':disabled');
  const sent = isSent ? new FormData(field.form).get(name) : control.value;
  const wrong = [field.value, sent].flatMap((one) =>
    one === control.value ? [] : [`<${field.localName}> shows "${control.value}", has "${one}"`],
  );
  if (control.disabled !== field.matches(':disabled')) wrong.push(`<${field.localName}> can be used, or not`);
  return wrong;
}

/** An app and how it is played. */
export interface Scene {
  readonly components: readonly never[];
  readonly tag: string;
  /** What a server wrote: the outermost component, or providers with it between their tags. */
  readonly html: string;
  readonly seed: number;
  /** Whether a visitor typed before the script ran. */
  readonly hasTyped: boolean;
  /** Whether providers stand around it, and what stands beside it there. */
  readonly beside?: { readonly field?: string; readonly rows?: string };
  /** Another copy of the library with the same app: some of the elements are its. */
  readonly other?: { readonly components: readonly never[]; register(...all: readonly never[]): void };
}

const fillers = {
  row: ({ name }: { name: string }) => Object.assign(document.createElement('b'), { textContent: name }),
};

/** Makes by program what the server wrote. */
function anew({ tag, beside, seed }: Scene): HTMLElement {
  const make = (name: string, own: object): HTMLElement => Object.assign(document.createElement(name), own);
  const host = make(tag, props);
  if (!beside) return host;
  const stage = document.createElement('fieldset');
  stage.ariaLabel = 'stage';
  const stand = (label: string): HTMLElement => make(`a${seed}-stand`, { label });
  const [first, second] = [stand('one'), stand('two')];
  first.append(host);
  if (beside.field) first.append(make(beside.field, { label: 'beside' }));
  if (beside.rows) first.append(make(beside.rows, { items: props.items, fillers }));
  stage.append(first, second);
  return stage;
}

/** What the nearest provider around an element's component says that it provides. */
function sharedWith(one: Element): string {
  let at: Node | null = (one.getRootNode() as Partial<ShadowRoot>).host ?? null;
  while (at) {
    at = (at as Element).assignedSlot ?? at.parentNode ?? (at as Partial<ShadowRoot>).host ?? null;
    const said = (at as Element | null)?.shadowRoot?.querySelector('data')?.title;
    if (said !== undefined) return said;
  }
  return 'nobody';
}

interface Played {
  readonly actions: number;
  /** How many bound controls were compared with the state, each after every action. */
  readonly looked: number;
  readonly differences: readonly {
    readonly after: string;
    readonly hydrated: string;
    readonly made: string;
  }[];
  readonly said: readonly string[];
}

const props = {
  label: 'La & "bel"',
  count: 3,
  items: [
    { id: 1, name: 'i<1>' },
    { id: 5, name: '' },
  ],
};

/** Plays an app: what a server wrote of it, hydrated, and what a program makes do the same things. */
export async function play(scene: Scene): Promise<Played> {
  const { beside, components, hasTyped, other, seed } = scene;
  const said: string[] = [];
  const before = console.error;
  console.error = (...all: unknown[]) => void said.push(all.map(String).join(' ').slice(0, 300));
  const differences: Played['differences'][number][] = [];
  document.body.innerHTML = '<form></form><form></form>';
  const [one, two] = document.querySelectorAll('form') as unknown as [HTMLFormElement, HTMLFormElement];
  // Resets and submissions stay in the page.
  for (const form of [one, two]) form.addEventListener('submit', (event) => event.preventDefault());
  one.setHTMLUnsafe(scene.html);
  const early = new Dice(seed + 1);
  // A select whose options follow what is typed elsewhere shows something else while no script is there.
  const touched = hasTyped
    ? controlsIn(one).flatMap((control, at) =>
        early.seldom(2) && !/^d/.test(control.getAttribute('aria-label') ?? '') ? [at] : [],
      )
    : [];
  // Somebody else has the name of one of them.
  const isTaken = seed % 7 === 0;
  if (isTaken) customElements.define(`a${seed}-spare`, class extends HTMLElement {});
  // Some of it while only a part of the elements is there: what is typed then is heard by that part.
  const isDuring = seed % 3 === 2;
  if (isDuring) register(...components.slice(0, early.below(components.length)));
  for (const at of touched) use(controlsIn(one)[at] as Control, new Dice(seed + at), isDuring);
  // A program may give a field its value before there is a script for it.
  const ownField = (form: ParentNode): Field | null =>
    beside?.field ? form.querySelector<Field>(`a${seed}-stand > ${beside.field}`) : null;
  const hasValue = !hasTyped && ownField(one);
  if (hasValue) hasValue.value = 'early';
  other?.register(...other.components.slice(0, early.below(other.components.length)));
  register(...components);
  await turn();
  const made = anew(scene);
  const field = ownField(made);
  if (hasValue && field) field.value = 'early';
  two.append(made);
  await turn();
  const controls = controlsIn(two);
  for (const at of touched) use(controls[at] as Control, new Dice(seed + at), true);
  await turn();
  let actions = 0;
  let looked = 0;
  const compare = (after: string): boolean => {
    const [hydrated, anew] = [seen(one), seen(two)];
    if (hydrated !== anew) differences.push({ after, hydrated, made: anew });
    const { looked: more, wrong: loose } = untied(one);
    looked += more;
    if (loose.length > 0) differences.push({ after, hydrated: loose.join('\n'), made: '' });
    return hydrated === anew && loose.length === 0;
  };
  let isSame = compare(`hydration${hasTyped ? ', with what was typed before' : ''}`);
  if (hasValue && hasValue.value !== 'early')
    differences.push({
      after: 'a value that was set before the script',
      hydrated: `${hasValue.value}`,
      made: 'early',
    });
  // Fields that are sent.
  for (const form of [one, two])
    for (const [at, field] of [...elements(form)].filter(isField).entries())
      field.setAttribute('name', `f${at}`);
  // What a server filled a slot with stays; from here on a program fills it.
  const filled = beside?.rows ? one.querySelector(`a${seed}-stand > ${beside.rows}`) : null;
  if (filled) Object.assign(filled, { fillers });
  await turn();
  isSame &&= compare('names of fields, and fillers');
  const deeds = new Dice(seed + 3);
  for (let step = 0; step < 30 && isSame; step++) {
    const roll = deeds.below(1_000_000);
    const name = deeds.one(kinds);
    for (const form of [one, two]) {
      const wrong = await act(form, scene, name, new Dice(roll));
      await turn();
      if (wrong.length > 0)
        differences.push({ after: `${step}: ${name} ${roll}`, hydrated: wrong.join('\n'), made: '' });
    }
    actions++;
    isSame = compare(`${step}: ${name} ${roll}`) && differences.length === 0;
  }
  console.error = before;
  document.body.innerHTML = '';
  const faults = said
    // Data that is shared is what was typed by the time that its readers hydrate: no fault, and put right.
    .filter((one) => !hasTyped || !one.includes('markup-differs'))
    .filter((one) => !isTaken || !/already been used|name-taken/.test(one));
  if (isTaken && faults.length === said.length) faults.push('Nothing reported that a name is taken.');
  return { actions, differences, looked, said: faults };
}

type Deed = 'click' | 'use' | 'prop' | 'same' | 'move' | 'remove' | 'disable';
const often: readonly Deed[] = ['click', 'click', 'click', 'use', 'use', 'use', 'prop', 'move'];
const kinds: readonly Deed[] = [...often, 'same', 'move', 'remove', 'disable', 'disable'];

/** Does something in one of the forms, and returns what is wrong before the turn has ended. */
async function act(form: HTMLFormElement, { tag, seed }: Scene, name: Deed, dice: Dice): Promise<string[]> {
  const host = form.querySelector(tag) as HTMLElement & Record<string, unknown>;
  const any = <Item>(items: readonly Item[]): Item | undefined =>
    items[dice.below(Math.max(1, items.length))];
  const all = [...elements(form)];
  if (name === 'click') any(all.filter((it) => it instanceof HTMLButtonElement))?.click();
  if (name === 'use') {
    const control = any(controlsIn(form));
    if (control) use(control, dice, true);
    const field = (control?.getRootNode() as ShadowRoot | undefined)?.host;
    return field && isField(field) ? [...untiedField(field as Field)] : [];
  }
  if (name === 'prop') {
    const prop = dice.one(['label', 'count', 'flag', 'items']);
    host[prop] = {
      label: dice.one(['new', '', '<b>', 'La & "bel"']),
      count: dice.below(6),
      flag: dice.seldom(2),
      items: dice.many(0, 4, (at) => ({ id: at * 3 + dice.below(2), name: dice.one(['p', '', 'q&r']) })),
    }[prop];
  }
  if (name === 'same') {
    const before = seen(form);
    for (const prop of ['label', 'count', 'flag', 'items']) Object.assign(host, { [prop]: host[prop] });
    await turn();
    return seen(form) === before ? [] : ['Props that were set to what they were changed something.'];
  }
  if (name === 'move' || name === 'remove') {
    // Between the tags of a provider, of another one, or outside of both.
    const stands = [...form.querySelectorAll(`a${seed}-stand`)];
    const place = any([...stands, stands[0]?.parentNode ?? form]) as ParentNode;
    if (name === 'remove') {
      host.remove();
      if (dice.seldom(2)) await turn();
      place.append(host);
    } else if (dice.seldom(2) && 'moveBefore' in place)
      (place as unknown as { moveBefore(a: Node, b: null): void }).moveBefore(host, null);
    else place.append(host);
  }
  if (name === 'disable') {
    const fields = all.filter((it) => it.localName === 'fieldset' || isField(it));
    any(dice.seldom(2) ? fields : all.filter((it) => it.localName.includes('-')))?.toggleAttribute(
      'disabled',
    );
  }
  return [];
}
