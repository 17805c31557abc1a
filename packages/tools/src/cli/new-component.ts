/** The files of a new component, by name. */
export function newComponent(name: string, isSplit: boolean): Readonly<Record<string, string>> {
  const exportName = name.replace(/(?:^|[-._])(\w)/g, (_whole, letter: string) => letter.toUpperCase());
  const title = name.replace(/[-._]+/g, ' ').replace(/^\w/, (letter) => letter.toUpperCase());
  return {
    [`${name}.ts`]: isSplit ? splitModule(name, exportName) : module(name, exportName),
    ...(isSplit && { [`${name}.html`]: markup, [`${name}.css`]: rules }),
    [`${name}.sample.html`]: `<!-- With a paragraph -->\n<${name} title="${title}">\n  <p>What stands between its tags.</p>\n</${name}>\n`,
    [`${name}.test.ts`]: test(name, exportName, title),
  };
}

const markup = `<section class="part">
  <h2>{{ title }}</h2>
  <slot><p>Nothing here yet.</p></slot>
</section>
`;

const rules = `.part { padding: 1rem }
h2 { margin: 0 0 .5rem }
`;

function module(name: string, exportName: string): string {
  return `import { component, el, prop, slot } from 'zesty-lattice';

export const ${exportName} = component('${name}', {
  description: 'Say in one sentence what it is.',
  props: { title: prop.text() },
  slots: { default: slot() },
  styles: \`
    .part { padding: 1rem }
    h2 { margin: 0 0 .5rem }
  \`,
  template: ({ props, slots }) =>
    el.section({ class: 'part' }, el.h2(props.title), slots.default(el.p('Nothing here yet.'))),
});
`;
}

function splitModule(name: string, exportName: string): string {
  return `import { component, prop, slot } from 'zesty-lattice';
import { markupFile } from 'zesty-lattice/markup';

export const ${exportName} = component('${name}', {
  description: 'Say in one sentence what it is.',
  props: { title: prop.text() },
  slots: { default: slot() },
  styles: markupFile(import.meta.url, './${name}.css'),
  template: markupFile(import.meta.url, './${name}.html'),
});
`;
}

function test(name: string, exportName: string, title: string): string {
  const expected = `'<section class="part">\\n  <h2>${title}</h2>\\n  Text\\n</section>'`;
  return `import { expect, test } from 'vitest';
import { readableHtml, samplesOf } from 'zesty-lattice-tools/testing';
import { ${exportName} } from './${name}.js';

test('${name} shows its title and its content', () => {
  expect(readableHtml(${exportName}({ title: '${title}' }, 'Text'))).toBe(${expected});
});

test('the samples of ${name} are right', async () => {
  for (const { name, problems } of await samplesOf(${exportName})) expect(problems, name).toEqual([]);
});
`;
}
