import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { describe, expect, test } from 'vitest';
import {
  component,
  el,
  LatticeError,
  type Problem,
  preset,
  prop,
  resolve,
  slot,
  type Use,
} from 'zesty-lattice';
import { renderHtml, renderPage } from 'zesty-lattice/html';

// What a beginner writes by mistake, without types to stop it: one problem, with the words that fix it.
const NoteCard = component('note-card', {
  props: { title: prop.text().fallback('Note') },
  slots: { default: slot(), badge: slot() },
  template: ({ props, slots }) => el.div(el.h3(props.title), slots.badge(), slots.default()),
});
const Needy = component('needy-card', {
  props: { title: prop.text() },
  slots: { default: slot() },
  template: ({ props, slots }) => el.div(props.title, slots.default()),
});
const TextLine = component('text-line', {
  props: { tag: prop.tag(['p', 'h1']) },
  accepts: 'tag',
  slots: { default: slot() },
  template: ({ props, slots, accepted }) => el.of(props.tag, accepted, slots.default()),
});
const press = preset(el.button, { type: 'button' });

// Called as from JavaScript.
type Loose = (...args: unknown[]) => never;
const loose = { NoteCard, Needy, el } as never as {
  readonly NoteCard: Loose;
  readonly Needy: Loose;
  readonly el: Readonly<Record<'p' | 'of' | 'label' | 'input', Loose>>;
};

function reported(work: () => unknown): readonly { code: string; message: string; hint: string }[] {
  try {
    work();
    return [];
  } catch (thrown) {
    expect(thrown).toBeInstanceOf(LatticeError);
    return (thrown as LatticeError).problems;
  }
}
const rendered = (use: unknown): string => renderHtml(use as Use);
const inside = (make: () => unknown) => (): unknown =>
  renderHtml(component('outer-page', { template: () => make() as never })({}));

describe('props come first, then content', () => {
  const given: [string, () => unknown, string][] = [
    ['text', () => loose.NoteCard('hello'), 'the text "hello"'],
    ['an element', () => loose.NoteCard(el.p('x')), 'an element'],
    ['a use', () => loose.NoteCard(NoteCard({})), 'a use of note-card'],
    ['a number', () => loose.NoteCard(4), 'the number 4'],
    ['a list', () => loose.NoteCard([el.p('x')]), 'a list of 1'],
    ['text for one with a needed prop', () => loose.Needy('hello'), 'the text "hello"'],
  ];
  test.each(given)('%s in their place is one problem', (_what, make, got) => {
    for (const work of [() => rendered(make()), inside(make)]) {
      const problems = reported(work);
      expect(problems.map(({ code }) => code)).toEqual(['props-misplaced']);
      expect(problems[0]?.message).toContain(got);
      expect(problems[0]?.hint).toContain('({ … }, content)');
    }
    const { problems } = resolve(make() as Use);
    expect(problems.map(({ code }) => code)).toEqual(['props-misplaced']);
  });

  test('as the hint says it is right', () => {
    expect(renderHtml(NoteCard({}, 'hello'))).toBe('<div><h3>Note</h3>hello</div>');
    expect(renderHtml(NoteCard({}, el.p('x')))).toBe('<div><h3>Note</h3><p>x</p></div>');
  });
});

test('content for a slot among the props: that is said, and how to give it', () => {
  const [problem, ...more] = reported(() => rendered(loose.NoteCard({ badge: el.b('x') })));
  expect(more).toEqual([]);
  expect(problem).toMatchObject({ code: 'prop-unknown' });
  expect(problem?.hint).toContain('"badge" is a slot');
  expect(problem?.hint).toContain('{ badge: … }');
  expect(renderHtml(NoteCard({}, { badge: el.b('x') }))).toContain('<b>x</b>');
});

test('attributes behind content are said to come first', () => {
  for (const work of [
    inside(() => loose.el.p('x', { class: 'a', id: 'b' })),
    () => renderHtml(NoteCard({}, loose.el.p('x', { class: 'a' }))),
  ]) {
    const [problem] = reported(work);
    expect(problem).toMatchObject({ code: 'content-not-allowed' });
    expect(problem?.hint).toContain('Attributes come first');
  }
  expect(renderHtml(NoteCard({}, el.p({ class: 'a' }, 'x')))).toContain('<p class="a">x</p>');
});

describe('what is no element', () => {
  test('a component or a preset as a tag is named as what it is', () => {
    const [component] = reported(inside(() => loose.el.of(TextLine, 'x')));
    expect(component?.message).toContain('The component text-line');
    expect(component?.hint).toContain('Call it');
    const [made] = reported(inside(() => loose.el.of(press, 'x')));
    expect(made?.message).not.toContain('=>');
    expect(made?.hint).toContain('Call it');
  });

  test('a preset among the components of a text is reported', () => {
    const [problem] = reported(() =>
      component('preset-user', { uses: [press] as never, template: '<p>x</p>' }),
    );
    expect(problem).toMatchObject({ code: 'definition-invalid' });
    expect(problem?.message).toContain('uses');
    expect(problem?.message).toContain('a function');
  });
});

test('names of properties are said in the words of HTML', () => {
  const Wrong = component('property-names', {
    template: () => [
      loose.el.label({ htmlFor: 'x', className: 'a' }, 'Name'),
      loose.el.input({ id: 'x', readOnly: true }),
      loose.el.p({ innerHTML: '<b>x</b>' }),
    ],
  });
  const hints = Object.fromEntries(
    resolve(Wrong).problems.map(({ message, hint }) => [/"(\w+)"/.exec(message)?.[1], hint]),
  );
  expect(hints.htmlFor).toContain('"for"');
  expect(hints.className).toContain('"class"');
  expect(hints.innerHTML).toContain('trusted(');
  const [problem] = reported(inside(() => loose.el.p({ onClick: () => 1 }, 'x')));
  expect(problem?.hint).toContain('on: { click:');
});

describe('in HTML text', () => {
  const Hut = component('hut-card', {
    props: { wide: prop.flag() },
    template: ({ props }) => el.div({ 'data-wide': props.wide }),
  });
  let count = 0;
  const found = (template: string): readonly { code: string; message: string; hint: string }[] => {
    count += 1;
    const made = component(`text-mistake-${count}`, {
      props: { open: prop.flag(), items: prop.list<string>().fallback([]), name: prop.text().fallback('') },
      uses: [Hut],
      template,
    });
    return resolve(made).problems.filter(({ code }) => code !== 'prop-unread');
  };
  const mistakes: [string, string, string, string][] = [
    [
      'given on an element',
      '<p given="open">x</p>',
      '<template given="…">',
      '<template given="open"><p>x</p></template>',
    ],
    [
      'rows on an element',
      '<b each-of="items">x</b>',
      '<template each-of="…" as="…">',
      '<template each-of="items" as="it"><b>{{ it }}</b></template>',
    ],
    [
      'another word for otherwise',
      '<template given="open">a</template><template else>b</template>',
      '<template otherwise>',
      '<template given="open">a</template><template otherwise>b</template>',
    ],
    [
      'another word for a condition',
      '<template if="open">a</template>',
      '<template given="…">',
      '<template given="open">a</template>',
    ],
    ['an event with a sign', '<button @click="x">x</button>', 'handles="click: …"', '<button>x</button>'],
    ['an event in brackets', '<button (click)="x">x</button>', 'handles="click: …"', '<button>x</button>'],
    ['a value with a sign', '<p :title="name">x</p>', 'title="{{ … }}"', '<p title="{{ name }}">x</p>'],
    ['a value in brackets', '<p [title]="name">x</p>', 'title="{{ … }}"', '<p title="{{ name }}">x</p>'],
    [
      'a condition with a star',
      '<p *given="open">x</p>',
      '<template given="…">',
      '<template given="open"><p>x</p></template>',
    ],
    [
      'a block in braces',
      '<p>{{#if open}}x</p>',
      '<template given="…">',
      '<p><template given="open">x</template></p>',
    ],
    [
      'a block between signs',
      '<p>{% if open %}x{% endif %}</p>',
      '<template given="…">',
      '<p><template given="open">x</template></p>',
    ],
    ['a component by its export', '<HutCard></HutCard>', '<hut-card>', '<hut-card></hut-card>'],
    [
      'rows of a text',
      '<template each-of="name" as="it"><b>{{ it }}</b></template>',
      'expects a list, but',
      '<template each-of="items" as="it"><b>{{ it }}</b></template>',
    ],
    [
      'a flag that says false',
      '<hut-card wide="false"></hut-card>',
      'in HTML leave the attribute out',
      '<hut-card></hut-card>',
    ],
  ];
  test.each(mistakes)('%s is reported once, with what stands for it', (_what, wrong, hint, right) => {
    const problems = found(wrong).filter(({ code }) => code !== 'name-unknown');
    expect(problems).toHaveLength(1);
    expect(`${problems[0]?.message} ${problems[0]?.hint}`).toContain(hint);
    expect(found(right)).toEqual([]);
  });
});

test('the path of a file in the place of its text is reported, with how to read it', () => {
  for (const [part, path] of [
    ['template', './hut.html'],
    ['styles', './hut.css'],
    ['styles', 'hut.css'],
  ] as const)
    expect(() => component('hut-sign', { template: () => 'x', [part]: path } as never)).toThrow(
      `Read the file: ${part}: markupFile(import.meta.url, '${path}').`,
    );
  expect(() => component('hut-sign', { template: 'See hut.html', styles: 'p { margin: 0 }' })).not.toThrow();
});

test('a comment alone is no content', () => {
  const Plain = component('plain-hut', { template: () => el.p('x') });
  const of = (template: string): readonly string[] =>
    resolve(component('hut-row', { uses: [Plain], template })).problems.map(({ code }) => code);
  expect(of('<plain-hut><!-- nothing yet -->\n</plain-hut>')).toEqual([]);
  expect(of('<plain-hut><!-- one --> more</plain-hut>')).toEqual(['slot-untaken']);
});

test('a misspelt field of the state is reported in functions as in HTML text, and one that may come is not', () => {
  const of = (template: unknown): string[] =>
    resolve(
      component('hut-count', { state: () => ({ count: 0 }), template: template as never }),
    ).problems.map(({ code, hint }) => `${code}: ${hint}`);
  const wrong = /^name-unknown: Did you mean "count"\?/;
  expect(of(({ state }: { state: Record<string, never> }) => el.p(state.cuont))).toEqual([
    expect.stringMatching(wrong),
  ]);
  expect(of('<p>{{ cuont }}</p>')).toEqual([expect.stringMatching(wrong)]);
  expect(of(({ state }: { state: Record<string, never> }) => el.p(state.count, state.sent))).toEqual([]);
});

test('a field that a declared record does not have is reported in HTML text, at its place', () => {
  const tool = prop.record({ name: prop.text(), grip: prop.record({ long: prop.flag() }).optional() });
  const of = (template: string): readonly string[] =>
    resolve(
      component('tool-list', {
        props: { tool, tools: prop.list(tool), any: prop.list<{ x: string }>() },
        template,
      }),
    )
      .problems.filter(({ code }) => code !== 'prop-unread')
      .map(({ hint, source }) => `${hint} ${template.slice((source?.column ?? 1) - 1).split(/\W/)[0]}`);
  expect(of('{{ tool.nmae }}')).toEqual([expect.stringMatching(/^Did you mean "name"\?/)]);
  expect(of('<template each-of="tools" as="one">{{ one.nmae }}{{ one.grip.long }}</template>')).toHaveLength(
    1,
  );
  expect(of('{{ tools[0].nmae }}{{ tool.grip.lnog }}')).toHaveLength(2);
  expect(
    of('<template each-of="any" as="one">{{ one.y }}</template>{{ tool.name }}{{ tools.length }}'),
  ).toEqual([]);
});

test('a use that is handed straight to a rendering is reported with the line of the call', () => {
  const Hut = component('hut-line', {
    props: { title: prop.text() },
    template: ({ props }) => el.b(props.title),
  });
  const lines = readFileSync(fileURLToPath(import.meta.url), 'utf8').split('\n');
  for (const render of [
    () => renderHtml(Hut({ title: 4 as never })), // here, as text
    () => renderPage(Hut({} as never), { title: 'x', lang: 'en' }), // here, as a page
  ]) {
    let problem: Problem | undefined;
    try {
      render();
    } catch (thrown) {
      [problem] = (thrown as LatticeError).problems;
    }
    expect(problem?.source?.file).toMatch(/words\.test\.ts$/);
    expect(lines[(problem?.source?.line ?? 1) - 1]).toMatch(/\/\/ here, as/);
  }
});
