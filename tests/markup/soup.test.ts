import fc from 'fast-check';
import { expect, test } from 'vitest';
import { component, el, LatticeError, prop, resolve, slot } from 'zesty-lattice';
import { renderHtml } from 'zesty-lattice/html';
import { catalog, renderDocument } from 'zesty-lattice/markup';
import { adopt } from 'zesty-lattice-tools/adopt';
import { parsed, tagsIn } from '../support/parsing.js';
import { runsOf } from '../support/runs.js';

const NoticeBox = component('notice-box', {
  props: { title: prop.text().fallback(''), crates: prop.number().fallback(0) },
  slots: { default: slot(), footer: slot(), row: slot.with<unknown>() },
  template: ({ props, slots }) =>
    el.section(el.h2(props.title), slots.default(), slots.footer(), slots.row(props.crates)),
});

/** Pieces of HTML as people, and their mistakes, write it. */
const piece = fc.constantFrom(
  '<p>',
  '</p>',
  '<div class="a {{ title }}">',
  '</div>',
  '<span',
  '>',
  '</span>',
  '<b title="x',
  '"',
  "'",
  '</b>',
  '<br>',
  '<br/>',
  '<table>',
  '<tr>',
  '<td>',
  '</table>',
  '<ul><li>',
  '</ul>',
  '<select><option>',
  '</select>',
  '<svg>',
  '<path/>',
  '</svg>',
  '<!-- x -->',
  '<!--',
  '-->',
  '<![CDATA[',
  ']]>',
  '<?x',
  '&amp;',
  '&nope;',
  '&',
  '<',
  '{{ title }}',
  '{{',
  '}}',
  '{{ crates + 1 }}',
  '{{ title.x[0] }}',
  '{{ nope }}',
  '<template given="rare">',
  '<template otherwise>',
  '</template>',
  '<template each-of="items" as="one" key="id">',
  '{{ one }}',
  '<template slot="row" as="one">',
  '<slot>',
  '<slot name="footer">',
  '<slot name="row" data="{{ title }}">',
  '</slot>',
  '<notice-box title="a" crates="3">',
  '<notice-box>',
  '</notice-box>',
  '<b slot="footer">',
  '<b slot="__proto__">',
  '<i __proto__="x" constructor="y">',
  '<x-y>',
  '</x-y>',
  '<script>',
  '</script>',
  '<style>',
  '</style>',
  '<textarea>',
  '</textarea>',
  '<title>',
  '<pre>\n',
  '<p style="color: {{ title }}; margin: 0">',
  'text',
  ' ',
  '\n',
  '\uFDD0\uFDD3\uFDD1',
  '\u0000',
  '\u{1F34A}',
  '<a href="javascript:x">',
  '<p onclick="x">',
  '<p bind="title" handles="click: go()">',
  '<html>',
  '<body>',
  '<head>',
  '<frameset>',
  '<plaintext>',
  '<noscript>',
  '<math><mi>',
  '<p class="a" class="b">',
  'slot="',
  '<button handles="click: go(uid()); focus: go(event, title.x)">',
  '<b handles="x" bind="{{ a }}" given="b">',
  '<template given="{{ rare }}" slot="footer">',
  '<template each-of="[1, 2" as="1" key="{{ x }}" index="i">',
  '<template given="uid(">',
  '<i style="a:{{ title }};{{ title }}" class="{{ uid() }}">',
  '<p id="{{ uid(\'x\') }}">',
);
const soup = fc.array(piece, { maxLength: 18 }).map((all) => all.join(''));

test('whatever a template text holds, nothing but problems come of it, and what has none renders as a parser reads it', () => {
  let sound = 0;
  fc.assert(
    fc.property(soup, (text) => {
      const Part = component('soup-part', {
        props: {
          title: prop.text().fallback('t'),
          crates: prop.number().fallback(1),
          rare: prop.flag(),
          items: prop.list<string>().fallback(['a']),
        },
        uses: [NoticeBox],
        foreign: ['x-y'],
        template: text,
      });
      const { problems } = resolve(Part, {});
      for (const { message, hint } of problems)
        expect(`${message} ${hint}`).not.toMatch(/[\uFDD0-\uFDDF]|undefined/);
      try {
        const html = renderHtml(Part({}));
        expect(html).not.toMatch(/[\uFDD0-\uFDDF]/);
        if (problems.length === 0 && !/<!--|script|style|textarea|title>/.test(html)) {
          expect(tagsIn(parsed(html))).toEqual([...html.matchAll(/<([a-z][\w-]*)/gi)].map(([, tag]) => tag));
          sound += 1;
        }
      } catch (thrown) {
        if (!(thrown instanceof LatticeError)) throw thrown;
      }
    }),
    runsOf('template texts', 6000),
  );
  expect(sound).toBeGreaterThan(30);
});

test('whatever a document holds, it comes back: as it was without components, and never less than problems with them', () => {
  const none = catalog([], { foreign: [/-/] });
  const some = catalog([NoticeBox], { foreign: ['x-y'] });
  fc.assert(
    fc.property(soup, (html) => {
      expect(renderDocument(html, none).html).toBe(html);
      const { html: rendered, problems, origin } = renderDocument(html, some);
      if (!html.includes('notice-box')) expect(rendered).toBe(html);
      expect(problems.every(({ message }) => message.length > 5)).toBe(true);
      expect(origin(rendered.length).line).toBeGreaterThan(0);
    }),
    runsOf('documents', 3000),
  );
});

test('whatever is adopted, it is a component or a problem', () => {
  fc.assert(
    fc.property(
      soup,
      fc.constantFrom('text', 'builders'),
      fc.constantFrom(undefined, 'p', 'div', 'b'),
      (html, as, block) => {
        try {
          const adopted = adopt(html, { name: 'soup-part', as: as as 'text', ...(block && { block }) });
          expect(adopted.module).toContain("component('soup-part'");
        } catch (thrown) {
          if (!(thrown instanceof LatticeError)) throw thrown;
        }
      },
    ),
    runsOf('adopted', 2000),
  );
});

test('slots and attributes with the names of what every object has are reported, and nothing vanishes', () => {
  const { problems } = renderDocument(
    '<notice-box title="a"><b slot="__proto__">x</b></notice-box>',
    catalog([NoticeBox]),
  );
  expect(problems.map(({ code }) => code)).toEqual(['slot-unknown']);
  const Part = component('proto-part', {
    uses: [NoticeBox],
    template: '<notice-box><b slot="__proto__">x</b></notice-box><i constructor="y" __proto__="z"></i>',
  });
  expect(resolve(Part).problems.map(({ code }) => code)).toEqual([
    'slot-unknown',
    'attribute-unknown',
    'attribute-unknown',
  ]);
});
