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
  for (const { shadowRoot: root } of elements(container)) {
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

interface Played {
  readonly actions: number;
  /** How many bound controls were held against the state, each after every action. */
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

/**
 * @param html what a server wrote of the outermost component
 * @param hasTyped whether a visitor typed before the script ran
 */
export async function play(
  components: readonly never[],
  tag: string,
  html: string,
  seed: number,
  hasTyped: boolean,
): Promise<Played> {
  const said: string[] = [];
  const before = console.error;
  console.error = (...all: unknown[]) => void said.push(all.map(String).join(' ').slice(0, 300));
  const differences: Played['differences'][number][] = [];
  document.body.innerHTML = '<form></form><form></form>';
  const [one, other] = document.querySelectorAll('form') as unknown as [HTMLFormElement, HTMLFormElement];
  // Resets and submissions stay in the page.
  for (const form of [one, other]) form.addEventListener('submit', (event) => event.preventDefault());
  one.setHTMLUnsafe(html);
  const early = new Dice(seed + 1);
  // A select whose options follow what is typed elsewhere shows something else while no script is there.
  const touched = hasTyped
    ? controlsIn(one).flatMap((control, at) =>
        early.seldom(2) && !/^d/.test(control.getAttribute('aria-label') ?? '') ? [at] : [],
      )
    : [];
  // Some of it while only a part of the elements is there: what is typed then is heard by that part.
  const isDuring = seed % 3 === 2;
  if (isDuring) register(...components.slice(0, early.below(components.length)));
  for (const at of touched) use(controlsIn(one)[at] as Control, new Dice(seed + at), isDuring);
  register(...components);
  await turn();
  const made = document.createElement(tag);
  Object.assign(made, props);
  other.append(made);
  await turn();
  const controls = controlsIn(other);
  for (const at of touched) use(controls[at] as Control, new Dice(seed + at), true);
  await turn();
  // Fields that are sent.
  for (const form of [one, other])
    for (const [at, field] of [...elements(form)].filter(isField).entries())
      field.setAttribute('name', `f${at}`);
  let actions = 0;
  let looked = 0;
  const compare = (after: string): boolean => {
    const [hydrated, anew] = [seen(one), seen(other)];
    if (hydrated !== anew) differences.push({ after, hydrated, made: anew });
    const { looked: more, wrong: loose } = untied(one);
    looked += more;
    if (loose.length > 0) differences.push({ after, hydrated: loose.join('\n'), made: '' });
    return hydrated === anew && loose.length === 0;
  };
  const deeds = new Dice(seed + 3);
  let isSame = compare(`hydration${hasTyped ? ', with what was typed before' : ''}`);
  for (let step = 0; step < 30 && isSame; step++) {
    const kind = deeds.below(10);
    const roll = deeds.below(1_000_000);
    const name = ['click', 'click', 'click', 'use', 'use', 'use', 'prop', 'move', 'remove', 'disable'][
      kind
    ] as string;
    for (const form of [one, other]) {
      const own = new Dice(roll);
      const host = form.querySelector(tag) as HTMLElement & Record<string, unknown>;
      const all = [...elements(form)];
      if (name === 'click') {
        const buttons = all.filter((it): it is HTMLButtonElement => it.localName === 'button');
        buttons[own.below(Math.max(1, buttons.length))]?.click();
      } else if (name === 'use') {
        const found = controlsIn(form);
        const control = found[own.below(Math.max(1, found.length))];
        if (control) use(control, own, true);
      } else if (name === 'prop') {
        const prop = own.one(['label', 'count', 'flag', 'items']);
        host[prop] = {
          label: own.one(['new', '', '<b>', 'La & "bel"']),
          count: own.below(6),
          flag: own.seldom(2),
          items: own.many(0, 4, (at) => ({ id: at * 3 + own.below(2), name: own.one(['p', '', 'q&r']) })),
        }[prop];
      } else if (name === 'move') {
        if (own.seldom(2) && 'moveBefore' in form)
          (form as unknown as { moveBefore(a: Node, b: null): void }).moveBefore(host, null);
        else form.append(host);
      } else if (name === 'remove') {
        host.remove();
        if (own.seldom(2)) await turn();
        form.append(host);
      } else {
        const elementsOfTheirs = all.filter((it) => it.localName.includes('-'));
        elementsOfTheirs[own.below(Math.max(1, elementsOfTheirs.length))]?.toggleAttribute('disabled');
      }
      await turn();
    }
    actions++;
    isSame = compare(`${step}: ${name} ${roll}`);
  }
  console.error = before;
  document.body.innerHTML = '';
  // Data that is shared is what was typed by the time that its readers hydrate: no fault, and put right.
  const faults = said.filter((one) => !hasTyped || !one.includes('markup-differs'));
  return { actions, differences, looked, said: faults };
}
