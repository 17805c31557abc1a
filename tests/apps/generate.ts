import { Dice } from './random.js';

/** What a component of an app may be: it says what its template may hold, and whether it stays an element. */
interface Shape {
  readonly name: string;
  readonly tag: string;
  readonly isLive: boolean;
  readonly isField: boolean;
  readonly hasSlot: boolean;
  readonly hasRows: boolean;
  readonly sends: boolean;
  /** Whether it hands attributes on to its outermost element, whose tag is the prop `tag`. */
  readonly accepts?: true;
}

/** An app as a module: its components, the outermost one, and what that is given. */
export interface App {
  readonly seed: number;
  readonly code: string;
  /** The tag of the outermost component. */
  readonly tag: string;
  readonly loads: boolean;
  /** Components that stand beside it between a provider's tags: a form field, and one whose rows are filled there. */
  readonly beside: { readonly field?: string; readonly rows?: string };
}

const words = ['Dunlight', 'Salt & <bell>', '"rind"', "peel's", 'é 柑橘', '{{ x }}', '', 'a b', '0', '--'];
/** Shows what is shared with a component, and with what a provider says of itself. */
const reading = "given(Shared.read(), (it) => el.samp(it.word, '~', it.n), el.samp('nobody'))";
const provided = (word: string, n: string): string =>
  `el.data({ title: phrase\`\${${word}}~\${${n}}\` }, 'provides')`;
const text = (dice: Dice): string => JSON.stringify(dice.one(words));

/** Writes a random app of 5 to 20 components: the same for the same seed. */
export function appOf(seed: number): App {
  const dice = new Dice(seed);
  const writer = new AppWriter(dice, seed);
  return writer.app();
}

class AppWriter {
  readonly dice: Dice;
  readonly seed: number;
  readonly shapes: Shape[] = [];
  readonly lines: string[] = [];
  loads = false;
  #id = 0;

  constructor(dice: Dice, seed: number) {
    this.dice = dice;
    this.seed = seed;
  }

  app(): App {
    const { dice } = this;
    const count = dice.from(5, 20);
    for (let at = 0; at < count - 1; at++) this.component(at);
    const tag = `a${this.seed}-page`;
    // The page uses what the others did not, so that all of it is shown.
    const uses = this.shapes.slice(-dice.from(2, 5)).map((shape) => this.use(shape, 'p', 0));
    const provides = dice.seldom(2);
    this.lines.push(`const Page = component('${tag}', {
  props: { label: prop.text().fallback(${text(dice)}), items: prop.list(prop.record({ id: prop.number(), name: prop.text() })).fallback([{ id: 1, name: 'one' }, { id: 2, name: 'two' }]), count: prop.number().fallback(2), flag: prop.flag() },
  state: () => ({ said: 0, rows: [{ id: 7, name: 'r7' }, { id: 8, name: 'r8' }, { id: 9, name: 'r9' }] }),
  ${provides ? 'provides: ({ props, state }) => [Shared.provide({ word: props.label, n: state.said })],' : ''}
  handlers: {
    hear: ({ state }) => ({ said: state.said + 1 }),
    turn: ({ state }) => ({ rows: [...state.rows].reverse() }),
    drop: ({ state }) => ({ rows: state.rows.slice(1) }),
    grow: ({ state }) => ({ rows: [{ id: 100 + state.said, name: 'new' }, ...state.rows], said: state.said + 1 }),
    wait: async ({ state, change }) => { await undefined; change({ said: state.said + 10 }); return undefined; },
  },
  template: ({ props, state, handlers }) => { const p = props; const s = state; const h = handlers; return el.main(
    el.output(state.said), ['turn', 'drop', 'grow', 'wait'].map((name) => el.button({ type: 'button', on: { click: handlers[name]() } }, name)),
    ${[...(provides ? [provided('p.label', 's.said')] : []), ...uses].join(',\n    ')}
  ); },
});`);
    const field = this.shapes.find(({ isField }) => isField);
    const rows = this.shapes.find(({ hasRows }) => hasRows);
    // Two providers, and what stands between the tags of the first one.
    this.lines.push(`const Stand = component('a${this.seed}-stand', {
  props: { label: prop.text().fallback('s') },
  slots: { default: slot() },
  state: () => ({ n: 0 }),
  provides: ({ props, state }) => [Shared.provide({ word: props.label, n: state.n })],
  handlers: { more: ({ state }) => ({ n: state.n + 1 }) },
  template: ({ props, state, handlers, slots }) => el.div(el.button({ type: 'button', on: { click: handlers.more() } }, 'more'), ${provided('props.label', 'state.n')}, slots.default()),
});`);
    this.lines.push(
      `const Spare = component('a${this.seed}-spare', { state: () => ({ n: 0 }), template: ({ state }) => el.b(state.n) });`,
    );
    const between = [
      'Page({ label: props.label, count: props.count, items: props.items })',
      ...(field ? [`${field.name}({ label: 'beside' })`] : []),
      ...(rows ? [`${rows.name}({ items: props.items }, { row: (row) => el.b(row.name) })`] : []),
    ];
    const code = `import { calc, component, definition, eachOf, el, event, given, phrase, preset, prop, share, slot, uid, whenLoaded } from 'zesty-lattice';
const Shared = share('word-${this.seed}');
${this.lines.join('\n')}
export const components${this.seed} = [Spare, ${[...this.shapes.map(({ name }) => name), 'Page', 'Stand'].join(', ')}];
export const Stand${this.seed} = Stand;
export const Stage${this.seed} = component('a${this.seed}-stage', {
  props: { label: prop.text(), count: prop.number(), items: prop.list(prop.record({ id: prop.number(), name: prop.text() })) },
  template: ({ props }) => el.fieldset({ 'aria-label': 'stage' }, Stand({ label: 'one' }, { default: [${between.join(', ')}] }), Stand({ label: 'two' })),
});
export const Page${this.seed} = Page;
export const loads${this.seed} = ${this.loads};
`;
    const beside = { ...(field && { field: field.tag }), ...(rows && { rows: rows.tag }) };
    return { seed: this.seed, code, tag, loads: this.loads, beside };
  }

  component(at: number): void {
    const { dice } = this;
    const kind = dice.below(10);
    const tag = `a${this.seed}-c${at}`;
    const name = `C${at}`;
    if (kind === 0) return this.accepting(name, tag);
    if (kind < 3) return this.plain(name, tag);
    if (kind === 9) return this.field(name, tag);
    this.live(name, tag);
  }

  /** Keeps nothing: it is flattened into whoever uses it. */
  plain(name: string, tag: string): void {
    const { dice } = this;
    const hasSlot = dice.seldom(2);
    const reads = dice.seldom(5);
    const parts = dice.many(1, 3, () => this.element('p', 2, undefined));
    if (hasSlot) parts.push(`slots.default(${dice.seldom(2) ? "el.i('nothing')" : ''})`);
    if (reads) parts.push(reading);
    this.lines.push(`const ${name} = component('${tag}', {
  props: { label: prop.text().fallback('l'), count: prop.number().fallback(1), flag: prop.flag(), items: prop.list(prop.record({ id: prop.number(), name: prop.text() })).fallback([]) },
  slots: { ${hasSlot ? 'default: slot()' : ''} },
  ${dice.seldom(3) ? `styles: 'p { color: rgb(${dice.below(255)}, 2, 3) } .on { font-weight: bold }',` : ''}
  template: ({ props, slots }) => { const p = props; return [${parts.join(', ')}]; },
});`);
    this.shapes.push({ name, tag, isLive: reads, isField: false, hasSlot, hasRows: false, sends: false });
  }

  /** Hands attributes on: to an element, or to another that does so. */
  accepting(name: string, tag: string): void {
    const { dice } = this;
    const inner = this.shapes.filter(({ accepts }) => accepts);
    const own = `class: ['own', { on: p.flag }], title: p.label, style: { color: 'red' }, ...accepted`;
    const body =
      inner.length > 0 && dice.seldom(2)
        ? `${dice.one(inner).name}({ tag: p.tag, count: p.count, ${own} })`
        : `el.of(p.tag, { ${own}, 'data-own': p.count }, p.label, ' ', p.count)`;
    this.lines.push(`const ${name} = component('${tag}', {
  props: { label: prop.text().fallback('k'), count: prop.number().fallback(1), flag: prop.flag(), items: prop.list(prop.record({ id: prop.number(), name: prop.text() })).fallback([]), tag: prop.tag(['p', 'b', 'div']).fallback('div') },
  accepts: 'tag',
  ${dice.seldom(3) ? `styles: ':host { display: block } .own { color: rgb(${dice.below(255)}, 2, 3) }',` : ''}
  template: ({ props, accepted }) => { const p = props; return ${body}; },
});`);
    const none = { isLive: false, isField: false, hasSlot: false, hasRows: false, sends: false };
    this.shapes.push({ name, tag, ...none, accepts: true });
  }

  /** Has state, handlers, bound controls, rows, slots. */
  live(name: string, tag: string): void {
    const { dice } = this;
    const hasSlot = dice.seldom(2);
    const hasRows = dice.seldom(3);
    const sends = dice.seldom(2);
    const loads = dice.seldom(12);
    const provides = dice.seldom(5);
    this.loads ||= loads;
    // Each is tied to a field of its own: of two that hold different things the last one counts.
    const controls = dice.many(1, 5, () => this.control());
    const fields = controls.map((code) => /bind: s\.(\w+)/.exec(code)?.[1]);
    // A form holds no other: only a component that uses none is one.
    const isForm = !hasSlot && !hasRows && dice.seldom(2);
    const inside = isForm ? [] : dice.many(0, 3, () => this.content('p', 2, 's'));
    const parts = [
      ...controls.filter((_, at) => fields.indexOf(fields[at]) === at || !fields[at]),
      ...inside,
    ];
    if (dice.seldom(2))
      parts.push(
        `eachOf(state.lines, (line, n) => el.li({ class: ['line', line.name] }, n, el.input({ 'aria-label': 'line', bind: line.name })), { key: 'id' })`,
      );
    if (hasSlot) parts.push(`slots.default(${dice.seldom(2) ? "el.i('nothing given')" : ''})`);
    if (hasRows)
      parts.push(
        `eachOf(p.items, (item, at) => el.li(slots.row(${dice.one(['item', '{ id: item.id, name: phrase`${item.name}!` }', '{ id: at, name: item.name }'])}, el.q(item.name))), { key: 'id' })`,
      );
    if (dice.seldom(3)) parts.push(`el.p(${reading})`);
    if (loads)
      parts.push(
        `whenLoaded(data, { loading: el.p('…'), loaded: (found) => el.p(found.word, p.count), failed: el.p('Sorry') })`,
      );
    if (provides) parts.push(provided('s.text', 's.count'));
    const body = parts.sort(() => dice.below(3) - 1).join(',\n    ');
    this.lines.push(`const ${name} = component('${tag}', {
  props: { label: prop.text().fallback(${text(dice)}), count: prop.number().fallback(${dice.below(5)}), flag: prop.flag(), items: prop.list(prop.record({ id: prop.number(), name: prop.text() })).fallback([{ id: 4, name: 'four' }]) },
  slots: { ${[...(hasSlot ? ['default: slot()'] : []), ...(hasRows ? ['row: slot.with()'] : [])].join(', ')} },
  ${sends ? 'events: { sent: event() },' : ''}
  ${loads ? "load: async ({ props }) => { await undefined; return { word: 'loaded ' + props.label }; }," : ''}
  state: ({ label, count }) => ({ text: label, note: 'n\\n' + label, count, flag: count > 2, pick: 'b', many: ['a'], way: 'x', lines: [{ id: 1, name: 'one' }, { id: 2, name: 'two' }, { id: 3, name: label }] }),
  ${dice.seldom(4) ? 'reactions: { count: ({ props, state }) => ({ count: state.count + props.count }) },' : ''}
  ${provides ? 'provides: ({ state }) => [Shared.provide({ word: state.text, n: state.count })],' : ''}
  ${dice.seldom(4) ? `styles: ':host { display: block } li { color: rgb(1, ${dice.below(255)}, 3) }',` : ''}
  handlers: {
    add: ({ state${sends ? ', dispatch' : ''} }, step) => { ${sends ? "dispatch('sent');" : ''} return { count: state.count + step }; },
    turn: ({ state }) => ({ lines: [...state.lines].reverse(), flag: !state.flag }),
    grow: ({ state }) => ({ lines: [...state.lines, { id: 10 + state.lines.length + state.count, name: 'more' }], count: state.count + 1 }),
    drop: ({ state }) => ({ lines: state.lines.slice(1), pick: 'c' }),
    // What was chosen of the lines may go with its option.
    trim: ({ state }) => ({ lines: state.lines.slice(1) }),
    clear: () => ({ text: '', many: [], way: 'y' }),
    wait: async ({ state }) => { await undefined; return { text: state.text + '.' }; },
  },
  template: ({ props, state, handlers, slots${loads ? ', data' : ''} }) => { const p = props; const s = state; const h = handlers; return el.${isForm ? 'form' : 'section'}({ 'aria-label': 'f' },
    ${['add(1)', 'turn()', 'grow()', 'drop()', 'trim()', 'clear()', 'wait()']
      .filter(() => dice.seldom(2))
      .map((call) => `el.button({ type: 'button', on: { click: h.${call} } }, '${call.slice(0, -2)}')`)
      .concat([`el.button({ type: '${isForm ? 'reset' : 'button'}' }, 'reset')`])
      .join(', ')},
    ${body}
  ); },
});`);
    this.shapes.push({ name, tag, isLive: true, isField: false, hasSlot, hasRows, sends });
  }

  field(name: string, tag: string): void {
    this.lines.push(`const ${name} = component('${tag}', {
  props: { label: prop.text().fallback('f'), count: prop.number().fallback(0), flag: prop.flag(), disabled: prop.flag(), items: prop.list(prop.record({ id: prop.number(), name: prop.text() })).fallback([]) },
  state: ({ label }) => ({ text: label }),
  field: { value: ({ state }) => state.text, fault: ({ state }) => (state.text.length > 6 ? 'Too long.' : undefined), restore: (text) => ({ text }) },
  template: ({ props, state }) => el.label(props.label, el.input({ bind: state.text, disabled: props.disabled })),
});`);
    this.shapes.push({
      name,
      tag,
      isLive: true,
      isField: true,
      hasSlot: false,
      hasRows: false,
      sends: false,
    });
  }

  control(): string {
    const label = `'aria-label': 'c${this.#id++}'`;
    return this.dice.one([
      `el.input({ ${label}, bind: s.text })`,
      `el.textarea({ ${label}, bind: s.note })`,
      `el.input({ ${label}, type: 'number', bind: s.count })`,
      `el.input({ ${label}, type: 'checkbox', bind: s.flag })`,
      `el.select({ ${label}, bind: s.pick }, ['a', 'b', 'c'].map((one) => el.option({ value: one }, one.toUpperCase())))`,
      `el.select({ 'aria-label': 'd${this.#id++}', bind: s.pick }, eachOf(s.lines, (line) => el.option(line.name)), el.option('b'), el.option('c'))`,
      `el.select({ ${label}, multiple: true, bind: s.many }, el.option('a'), el.option('d'))`,
      `[el.input({ ${label}, type: 'radio', name: 'w', value: 'x', bind: s.way }), el.input({ ${label}, type: 'radio', name: 'w', value: 'y', bind: s.way })]`,
      `el.output(s.text, '|', s.count, '|', calc(s.flag, String), '|', s.pick, '|', calc(s.many, (all) => all.join()), '|', s.way, '|', calc(s.lines, (all) => all.map((one) => one.name).join()))`,
    ]);
  }

  /** Content: elements, conditions, rows, uses. */
  content(props: string, depth: number, state: string | undefined): string {
    const { dice } = this;
    const usable = this.shapes;
    const kind = dice.below(depth > 0 ? 7 : 3);
    if (kind < 2 && usable.length > 0) return this.use(dice.one(usable), props, depth - 1);
    if (kind === 2) return this.value(props, state);
    if (kind === 3)
      return `given(${props}.${dice.one(['flag', 'count', 'label'])}, ${this.content(props, depth - 1, state)}, ${this.content(props, depth - 1, state)})`;
    if (kind === 4 && state)
      return `given(${state}.flag, ${this.content(props, depth - 1, state)}, el.u('off'))`;
    if (kind === 5)
      return `eachOf(${props}.items, (item, n) => el.li({ title: item.name, 'data-n': n }, item.name, ' ', ${props}.count), { key: 'id', empty: el.li('none') })`;
    return this.element(props, depth - 1, state);
  }

  value(props: string, state: string | undefined): string {
    return this.dice.one([
      text(this.dice),
      `${props}.label`,
      `phrase\`\${${props}.label} of \${${props}.count}\``,
      `calc(${props}.count, ${props}.label, (count, label) => count + label.length)`,
      ...(state
        ? [`${state}.text`, `${state}.count`, `calc(${state}.flag, (is) => (is ? 'yes' : 'no'))`]
        : []),
    ]);
  }

  /** An element with up to 40 attributes of every kind. */
  element(props: string, depth: number, state: string | undefined): string {
    const { dice } = this;
    const most = dice.seldom(6) ? 40 : 6;
    const attributes = new Map<string, string>();
    for (let left = dice.below(most); left > 0; left--) {
      const [name, value] = this.attribute(props, state);
      attributes.set(name, value);
    }
    const written = [...attributes].map(([name, value]) => `'${name}': ${value}`);
    const content =
      depth > 0 ? dice.many(0, 2, () => this.content(props, depth - 1, state)) : [this.value(props, state)];
    return `el.${dice.one(['div', 'span', 'p', 'section', 'b'].slice(0, depth > 0 ? 2 : 5))}({ ${written.join(', ')} }, ${content.join(', ') || "''"})`;
  }

  attribute(props: string, state: string | undefined): readonly [string, string] {
    const { dice } = this;
    return dice.one<() => readonly [string, string]>([
      () => ['title', this.value(props, state)],
      () => [
        'class',
        `[${text(dice)} || 'c', ${props}.label, { on: ${props}.flag, big: calc(${props}.count, (n) => n > 1) }]`,
      ],
      () => [
        'style',
        `{ color: calc(${props}.count, (n) => (n > 1 ? 'red' : null)), '--n': ${props}.count }`,
      ],
      () => ['hidden', dice.one([`${props}.flag`, 'false', `calc(${props}.count, (n) => n > 90)`])],
      () => [`data-a${dice.below(30)}`, this.value(props, state)],
      () => [`aria-label`, this.value(props, state)],
      () => [`aria-hidden`, `calc(${props}.flag, (is) => is)`],
      () => ['lang', "'en'"],
      () => ['id', `uid('u${this.#id++}')`],
      () => ['tabindex', `${props}.count`],
    ])();
  }

  /** Attributes for the element that a component renders as. */
  handedOn(props: string): readonly string[] {
    const attributes = new Map(this.dice.many(0, 6, () => this.attribute(props, undefined)));
    return [...attributes].map(([name, value]) => `'${name}': ${value}`);
  }

  /** A use of a component, with what fills its slots. */
  use(shape: Shape, props: string, depth: number): string {
    const { dice } = this;
    const given = [
      ...(dice.seldom(2) ? [`label: ${dice.one([text(dice), `${props}.label`])}`] : []),
      ...(dice.seldom(2)
        ? [`count: ${dice.one(['3', `${props}.count`, `calc(${props}.count, (n) => n + 1)`])}`]
        : []),
      ...(dice.seldom(3) ? [`flag: ${dice.one(['true', `${props}.flag`])}`] : []),
      ...(dice.seldom(2) ? [`items: ${props}.items`] : []),
      ...(shape.accepts ? this.handedOn(props) : []),
      ...(shape.sends && props === 'p' && depth === 0
        ? ['on: { sent: typeof h === "undefined" ? undefined : h.hear?.() }']
        : []),
    ].filter((one) => !one.startsWith('on:'));
    const fills = [
      ...(shape.hasSlot && dice.seldom(2)
        ? [`default: [${this.content(props, Math.max(0, depth), undefined)}, 'in slot']`]
        : []),
      ...(shape.hasRows && dice.seldom(2)
        ? [`row: (row) => [el.b(row.name), ' ', row.id, ${this.value(props, undefined)}]`]
        : []),
    ];
    return `${shape.name}({ ${given.join(', ')} }${fills.length > 0 ? `, { ${fills.join(', ')} }` : ''})`;
  }
}
