/** What selectors are marked with: all compounds with the mark of a component, `:host` as another or not at all. */
export interface SelectorMarks {
  readonly own: string;
  /** What stands for `:host`; without it the browser's own is kept, as in a shadow root. */
  readonly host: string | undefined;
  /** The component that they are of, where it has no shadow root of its own: `::slotted` is what it was given there. */
  readonly component?: string;
  /** Whether the rule stands in another, so that `&` is what that one matches, which is marked already. */
  readonly isNested?: boolean;
}

/** The marks of a component, as its rules name them. */
export function marksIn(name: string): SelectorMarks & { readonly host: string } {
  return { own: `:where([data-in~="${name}"])`, host: `:where([data-in-host="${name}"])`, component: name };
}

/**
 * Selectors that match only what a component's template has written: each compound gets the component's mark, in
 * `:where()` so that it weighs nothing. That is what a shadow root does, where an outside element is never matched,
 * neither as the subject nor on the way to it (https://www.w3.org/TR/css-scoping-1/#selectors-data-model).
 */
export function markSelectors(list: string, marks: SelectorMarks, isNested = false): string {
  return split(list, ',')
    .map((selector) =>
      marks.component !== undefined && selector.includes('::slotted')
        ? (slottedSelector(selector.trim(), marks.component, isNested) ?? matchesNothing)
        : markSelector(selector.trim(), isNested ? { ...marks, isNested } : marks),
    )
    .join(',');
}

/** What stands for a selector that cannot be carried over. */
const matchesNothing = ':not(*)';

/** The mark of what is given to a slot of a component whose rules reach it there. */
export function givenMark(component: string, slot: string): string {
  return `/${component}/${slot}`;
}

const pseudoElement = /^(::|:(before|after|first-line|first-letter)$)/;

/**
 * A selector with `::slotted()`, as one for a component that is flattened: it matches what its use gave to the slot, by the
 * mark of that, and weighs nothing, since the rules of who wrote the content win
 * (https://www.w3.org/TR/css-scoping-1/#selectordef-slotted, https://www.w3.org/TR/css-cascade-5/#cascade-context).
 * Undefined where it asks for more of the slot than its name.
 */
export function slottedSelector(selector: string, component: string, isNested = false): string | undefined {
  const pieces = split(selector, ' >+~');
  const last = simplesIn(pieces.at(-1) ?? '');
  const at = last.findIndex((one) => /^::slotted\([\s\S]*\)$/.test(one));
  const before = pieces.slice(0, -1).join('');
  if (at < 0 || /[+~]\s*$/.test(before) || before.includes('::slotted')) return undefined;
  const slot = slotIn(last.slice(0, at).join(''));
  const pseudo = last.slice(at + 1);
  if (slot === undefined || !pseudo.every((one) => pseudoElement.test(one))) return undefined;
  const outer = before.replace(/[\s>]+$/, '');
  const link = before.slice(outer.length).includes('>') ? '>' : ' ';
  const around = outer === '' ? '' : markSelector(outer, { ...marksIn(component), isNested }) + link;
  const mark =
    slot === '*' ? `[data-in*="${givenMark(component, '')}"]` : `[data-in~="${givenMark(component, slot)}"]`;
  return split((last[at] as string).slice('::slotted('.length, -1), ',')
    .map((content) => `:where(${around}${content.trim()}${mark})${pseudo.join('')}`)
    .join(',');
}

/** The slot that a compound stands for: by its name, or `*` for any. */
function slotIn(compound: string): string | undefined {
  if (compound === '' || compound === 'slot') return '*';
  if (compound === 'slot:not([name])') return 'default';
  const [, name] =
    /^(?:slot)?\[name=(?:"([\w-]+)"|'([\w-]+)'|([\w-]+))\]$/
      .exec(compound)
      ?.filter((one) => one !== undefined) ?? [];
  return name;
}

/** A complex selector with the mark on each of its compounds. */
function markSelector(selector: string, marks: SelectorMarks): string {
  let text = '';
  let combinator = '';
  for (const piece of split(selector, ' >+~')) {
    if (/^[>+~]$/.test(piece)) combinator = piece;
    else if (piece.trim() === '') combinator ||= ' ';
    else {
      text += (text === '' ? combinator.trim() : combinator) + markCompound(piece, marks);
      combinator = '';
    }
  }
  return text;
}

/** The mark goes before pseudo-elements and behind everything else; in a rule inside another `&` stands for what is marked already. */
function markCompound(compound: string, marks: SelectorMarks): string {
  const simple = simplesIn(compound);
  const end = simple.findIndex((one) => pseudoElement.test(one));
  const before = end < 0 ? simple : simple.slice(0, end);
  const after = end < 0 ? [] : simple.slice(end);
  const host = before.find((one) => /^:host(\(|$)/.test(one));
  const rest = before.filter((one) => one !== host).map((one) => markInside(one, marks));
  return `${rest.join('')}${markOf(host, simple, marks)}${after.join('')}`;
}

function markOf(host: string | undefined, simple: readonly string[], marks: SelectorMarks): string {
  if (host === undefined) {
    // What is slotted is not written here; the slot that it comes through has no mark.
    const isOther =
      (marks.isNested && simple.includes('&')) ||
      (marks.host === undefined && simple.some((one) => one.startsWith('::slotted')));
    return isOther ? '' : marks.own;
  }
  if (marks.host === undefined) return host;
  const inner = host.slice(':host('.length, -1);
  return host === ':host' ? marks.host : `:is(${inner})${marks.host}`;
}

/** In `:has()` all parts are marked; in `:is()`, `:where()` and `:not()` those that are not the element itself. */
function markInside(simple: string, marks: SelectorMarks): string {
  const [, name, list] = /^:(has|is|where|not)\(([\s\S]*)\)$/.exec(simple) ?? [];
  if (name === undefined || list === undefined) return simple;
  const inner = split(list, ',').map((one) => {
    const selector = one.trim();
    const isPlain = split(selector, ' >+~').length === 1;
    return name !== 'has' && isPlain ? selector : markSelector(selector, marks);
  });
  return `:${name}(${inner.join(',')})`;
}

/** The simple selectors of a compound: `p`, `.a`, `[b]`, `:hover`, `::before`. */
function simplesIn(compound: string): readonly string[] {
  const all: string[] = [];
  each(compound, (char, at, depth, text) => {
    const isStart = depth === 0 && /[.#[:&]/.test(char) && !(char === ':' && text[at - 1] === ':');
    if (isStart || all.length === 0) all.push('');
    all[all.length - 1] += char;
  });
  return all;
}

/** Splits text at signs that stand in no brackets and quotes; signs other than a comma stay as pieces of their own. */
function split(text: string, signs: string): readonly string[] {
  const pieces: string[] = [''];
  each(text, (char, _at, depth) => {
    const isSign = depth === 0 && (signs.includes(char) || (signs.includes(' ') && /\s/.test(char)));
    if (!isSign) pieces[pieces.length - 1] += char;
    else if (signs === ',') pieces.push('');
    else pieces.push(char, '');
  });
  return pieces.filter((piece) => piece !== '');
}

/** Calls `see` for each character, or escape of one, with how many brackets are open around it. */
function each(text: string, see: (char: string, at: number, depth: number, text: string) => void): void {
  let depth = 0;
  let quote = '';
  for (let at = 0; at < text.length; at++) {
    const char = text.charAt(at);
    if (char === '\\') {
      see(text.slice(at, at + 2), at, Math.max(depth, 1), text);
      at++;
      continue;
    }
    const isClosing = quote === '' && /[)\]]/.test(char);
    const isInside = depth > 0 || quote !== '';
    if (quote !== '') quote = char === quote ? '' : quote;
    else if (char === '"' || char === "'") quote = char;
    else if (/[([]/.test(char)) depth++;
    see(char, at, isInside ? Math.max(depth, 1) : 0, text);
    if (isClosing) depth--;
  }
}
