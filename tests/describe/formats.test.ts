import { execFileSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { join } from 'node:path';
import { Ajv } from 'ajv';
import { Ajv2020 } from 'ajv/dist/2020.js';
import formats from 'ajv-formats';
import fc from 'fast-check';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { getLanguageService, newHTMLDataProvider, TextDocument } from 'vscode-html-languageservice';
import { calc, component, el, event, type Kind, LatticeError, prop, resolve, slot } from 'zesty-lattice';
import { editorData, elementsManifest, propsSchema, tagTypes } from 'zesty-lattice-tools/describe';
import { lattice, root } from '../cli/lattice.js';
import { isLong } from '../support/runs.js';

const need = createRequire(import.meta.url);
const json = (path: string): Record<string, unknown> => JSON.parse(readFileSync(path, 'utf8'));
const folder = mkdtempSync(join(root, 'tests/describe/out-'));
afterAll(() => rmSync(folder, { recursive: true }));

const TreeSign = component('tree-sign', {
  description: 'Says which tree it is.',
  props: {
    title: prop.text().describe('What is on it.'),
    season: prop.choice(['early', 'late']).fallback('early'),
    sowIn: prop.date().optional(),
    rare: prop.flag(),
    heads: prop.list(prop.record({ name: prop.text(), rows: prop.number().optional() })).fallback([]),
  },
  slots: { default: slot(), badge: slot.required().describe('A short word.') },
  state: () => ({ isOn: false }),
  events: { turned: event<{ isOn: boolean }>().describe('When it was turned.') },
  handlers: { turn: ({ state }) => ({ isOn: !state.isOn }) },
  styles:
    ':host { --own: 1px; color: var(--ink, rgb(1, 2, 3)) } b { margin: var(--own); border: var(--line) var(--gap, calc(1px + var(--more, 2px))) }',
  template: ({ props, slots, handlers }) => [
    el.b({ part: 'title main', on: { click: handlers.turn() } }, props.title, props.season),
    slots.badge(),
    slots.default(),
  ],
});

describe('lattice describe', () => {
  const out = join(folder, 'all');
  beforeAll(() => {
    const { code, err } = lattice(
      'describe',
      'examples/orchard/components',
      'examples/open-day/components',
      '--out',
      out,
    );
    expect(err).toBe('');
    expect(code).toBe(0);
  });

  test('writes a custom elements manifest that fits its published schema', () => {
    const validate = new Ajv({ strict: false, allErrors: true }).compile(
      json(need.resolve('custom-elements-manifest/schema.json')),
    );
    const manifest = json(join(out, 'custom-elements.json'));
    expect(validate(manifest), JSON.stringify(validate.errors)).toBe(true);
    const found = (manifest.modules as { declarations: unknown[] }[]).flatMap(
      ({ declarations }) => declarations,
    );
    expect(found).toHaveLength(23);
    const own = elementsManifest([{ path: './tree-sign.js', exports: { TreeSign } }]);
    expect(validate(own), JSON.stringify(validate.errors)).toBe(true);
    expect(own.modules[0]).toMatchObject({
      path: './tree-sign.js',
      declarations: [
        {
          tagName: 'tree-sign',
          description: 'Says which tree it is.',
          attributes: [
            { name: 'title', fieldName: 'title', type: { text: 'string' }, description: 'What is on it.' },
            { name: 'season', default: 'early', type: { text: '"early" | "late"' } },
            { name: 'sow-in', fieldName: 'sowIn', type: { text: 'Date' } },
            { name: 'rare' },
            {
              name: 'heads',
              default: '[]',
              type: { text: 'readonly { readonly name: string; readonly rows?: number }[]' },
            },
          ],
          events: [{ name: 'turned', description: 'When it was turned.' }],
          slots: [{ name: '' }, { name: 'badge', description: 'A short word.' }],
          cssProperties: [
            { name: '--ink', default: 'rgb(1, 2, 3)' },
            { name: '--line' },
            { name: '--gap', default: 'calc(1px + var(--more, 2px))' },
            { name: '--more', default: '2px' },
          ],
          cssParts: [{ name: 'title' }, { name: 'main' }],
        },
      ],
    });
  });

  test('writes data by which an editor completes tags, attributes and words', () => {
    const schema = json(
      join(need.resolve('vscode-html-languageservice/package.json'), '../docs/customData.schema.json'),
    );
    const validate = new Ajv({ strict: false, allErrors: true }).compile(schema);
    const data = json(join(out, 'html-data.json'));
    expect(validate(data), JSON.stringify(validate.errors)).toBe(true);
    expect(validate(editorData([TreeSign])), JSON.stringify(validate.errors)).toBe(true);
    const service = getLanguageService({
      customDataProviders: [newHTMLDataProvider('orchard', data as never)],
    });
    const complete = (text: string): readonly string[] => {
      const at = text.indexOf('|');
      const document = TextDocument.create('file:///page.html', 'html', 1, text.replace('|', ''));
      const html = service.parseHTMLDocument(document);
      return service.doComplete(document, document.positionAt(at), html).items.map(({ label }) => label);
    };
    expect(complete('<var|')).toContain('variety-card');
    expect(complete('<variety-card |')).toEqual(expect.arrayContaining(['season', 'crates', 'rare']));
    expect(complete('<variety-card season="|"')).toEqual(expect.arrayContaining(['early', 'late']));
  });

  test('writes the props of each component as JSON Schema, draft 2020-12', () => {
    const ajv = new Ajv2020({ strict: true, strictTypes: false });
    (formats as unknown as (one: object) => void)(ajv);
    const schema = json(join(out, 'props/variety-card.schema.json'));
    const validate = ajv.compile(schema);
    expect(validate({ title: 'Dunlight', type: 'Mandarin', cents: 180 })).toBe(true);
    expect(validate({ title: 'Dunlight', type: 'Mandarin' })).toBe(false);
    expect(validate({ title: 'Dunlight', type: 'Mandarin', cents: 180, colour: 'red' })).toBe(false);
    expect(propsSchema(TreeSign)).toMatchObject({
      title: 'tree-sign',
      required: ['title'],
      properties: {
        title: { description: 'What is on it.' },
        season: { enum: ['early', 'late'], default: 'early' },
      },
    });
    expect(() => propsSchema((() => null) as never)).toThrow(LatticeError);
  });

  test.runIf(isLong)(
    'writes types of the elements, which another project uses',
    () => {
      const project = join(folder, 'project');
      mkdirSync(project);
      writeFileSync(
        join(project, 'sign.ts'),
        `import { component, el, event, prop } from 'zesty-lattice';
export const CrateSign = component('crate-sign', {
  props: { label: prop.text(), start: prop.number().fallback(0) },
  state: ({ start }) => ({ count: start }),
  events: { changed: event<{ count: number }>() },
  handlers: { add: ({ state, dispatch }) => { dispatch('changed', { count: state.count }); return { count: state.count + 1 }; } },
  template: ({ props, handlers }) => el.button({ type: 'button', on: { click: handlers.add() } }, props.label),
});
`,
      );
      const made = lattice('describe', join(project, 'sign.ts'), '--out', project, '--only', 'types');
      expect(made.code, made.err).toBe(0);
      const use = (line: string): string => {
        writeFileSync(
          join(project, 'use.ts'),
          `const sign = document.querySelector('crate-sign');\nif (sign) {\n${line}\n}\nexport {};\n`,
        );
        writeFileSync(
          join(project, 'tsconfig.json'),
          JSON.stringify({
            extends: '../../../../tsconfig.json',
            include: ['.'],
            compilerOptions: { paths: {}, rootDir: '../../../..' },
          }),
        );
        try {
          execFileSync('npx', ['tsc', '--noEmit', '-p', project], {
            cwd: root,
            encoding: 'utf8',
            stdio: 'pipe',
          });
          return '';
        } catch (thrown) {
          return (thrown as { stdout: string }).stdout;
        }
      };
      expect(
        use(
          "sign.start = 4; const label: string = sign.label; sign.addEventListener('changed', (event) => { const n: number = event.detail.count; console.log(n, label); }); sign.addEventListener('click', (event) => console.log(event.clientX));",
        ),
      ).toBe('');
      expect(use("sign.start = 'four';")).toContain('not assignable');
      expect(use("sign.addEventListener('changed', (event) => console.log(event.detail.cuont));")).toContain(
        'cuont',
      );
      expect(tagTypes([{ path: './tree-sign.js', exports: { TreeSign } }])).toContain(
        '"tree-sign": ElementOf<typeof import("./tree-sign.js").TreeSign>;',
      );
    },
    60_000,
  );

  test('writes a page for people with samples, props, slots, events and what of the look is set', () => {
    const page = readFileSync(join(out, 'reference/variety-card.md'), 'utf8');
    expect(page).toMatch(/^# variety-card\n\nOne citrus variety on the stalls\.\n/);
    expect(page).toContain('`VarietyCard` in `examples/orchard/components/variety-card.ts`');
    expect(page).toContain(
      '## Rare, with its own badge and an action\n\n```html\n<variety-card title="Saltbell"',
    );
    expect(page).toContain('| `season` | `season` | `"early" \\| "late"` | `"early"` |  |');
    expect(page).toContain('| `--card` |');
    expect(readFileSync(join(out, 'reference/crate-counter.md'), 'utf8')).toContain(
      '## Events\n\n| Event |  |\n|---|---|\n| `changed` |',
    );
  });

  test.runIf(isLong)('takes pictures of the samples for it, where that is asked for', () => {
    const made = lattice(
      'describe',
      'examples/orchard/components/price-tag.ts',
      'examples/orchard/components/price-tag.sample.html',
      '--out',
      join(folder, 'one'),
      '--only',
      'reference',
      '--pictures',
    );
    expect(made.err).toBe('');
    const page = readFileSync(join(folder, 'one/reference/price-tag.md'), 'utf8');
    const [, picture = ''] = /!\[By the crate\]\(([^)]+)\)/.exec(page) ?? [];
    expect(
      readFileSync(join(folder, 'one/reference', picture))
        .subarray(1, 4)
        .toString(),
    ).toBe('PNG');
  });

  test('prints one form alone, and tells what it cannot do', () => {
    const printed = lattice('describe', 'examples/orchard/components/price-tag.ts', '--print', 'schemas');
    expect(JSON.parse(printed.out)).toMatchObject({ title: 'price-tag', required: ['cents'] });
    expect(lattice('describe', 'examples/orchard/types.ts')).toMatchObject({
      code: 2,
      err: expect.stringMatching(/No component is exported there/),
    });
    expect(lattice('describe', 'nowhere')).toMatchObject({
      code: 2,
      err: expect.stringMatching(/no file or folder nowhere/),
    });
    expect(lattice('describe', 'examples/orchard/components', '--only', 'manifst')).toMatchObject({
      code: 2,
      err: expect.stringMatching(/Did you mean "manifest"/),
    });
  });
});

/** A kind, and values that nearly fit it. */
const kinds: fc.Arbitrary<Kind<unknown>> = fc.letrec<{ kind: Kind<unknown> }>((tie) => ({
  kind: fc.oneof(
    { maxDepth: 3 },
    fc.constantFrom(prop.text(), prop.number(), prop.flag(), prop.url(), prop.list(), prop.record()),
    fc
      .uniqueArray(fc.constantFrom('early', 'late', '', 'a"b', '__proto__'), { minLength: 1 })
      .map((words) => prop.choice(words as [string])),
    tie('kind').map((item) => prop.list(item as never)),
    fc
      .tuple(
        fc.dictionary(
          fc.constantFrom('name', 'rows', 'a b', 'constructor'),
          fc.tuple(tie('kind'), fc.boolean()),
          { minKeys: 1 },
        ),
        fc.boolean(),
      )
      .map(([fields, more]) => {
        const kinds = Object.fromEntries(
          Object.entries(fields).map(([name, [kind, isOptional]]) => [
            name,
            isOptional ? kind.optional() : kind,
          ]),
        );
        return more ? prop.record(kinds, { more: true }) : prop.record(kinds);
      }),
  ) as never,
})).kind;

const values: fc.Arbitrary<unknown> = fc.letrec((tie) => ({
  value: fc.oneof(
    { maxDepth: 3 },
    fc.constantFrom(
      'early',
      'late',
      '',
      'a"b',
      '__proto__',
      'javascript:alert(1)',
      ' jAva\tscript:x',
      'data:text/html,x',
      'data:image/png,x',
      'data: image/svg+xml,x',
      '/map',
      'vbscript :x',
      'mailto:a',
      'data:application/a.b+xml;x',
      'data:Text/JavaScript,1',
      'data:text/x-ecmascript',
    ),
    fc.string(),
    fc.double({ noNaN: true, noDefaultInfinity: true }),
    fc.boolean(),
    fc.constant(null),
    fc.array(tie('value')),
    fc.dictionary(fc.constantFrom('name', 'rows', 'a b', 'constructor', 'other'), tie('value')),
  ),
})).value;

test('a schema takes exactly the values that the kind takes', () => {
  const ajv = new Ajv2020({ strict: false });
  (formats as unknown as (one: object) => void)(ajv);
  const counts = { taken: 0, refused: 0 };
  fc.assert(
    fc.property(kinds, fc.array(values, { minLength: 4, maxLength: 12 }), (kind, some) => {
      const Tried = component('tried-kind', {
        props: { it: kind as ReturnType<typeof prop.text> },
        template: ({ props }) => el.p(calc(props.it, (value) => JSON.stringify(value))),
      });
      const validate = ajv.compile(propsSchema(Tried));
      for (const it of some) {
        const read = JSON.parse(JSON.stringify({ it })) as { it: string };
        const isTaken = !resolve(Tried, read).problems.some(
          ({ code }) => code === 'prop-invalid' || code === 'prop-missing',
        );
        expect(
          validate(read),
          `${JSON.stringify(read)} for ${JSON.stringify(propsSchema(Tried).properties)}`,
        ).toBe(isTaken);
        counts[isTaken ? 'taken' : 'refused']++;
      }
    }),
    { numRuns: 400 },
  );
  expect(counts.taken).toBeGreaterThan(100);
  expect(counts.refused).toBeGreaterThan(300);
});
