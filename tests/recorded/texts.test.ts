import { describe, test } from 'vitest';
import { calc, component, el, prop, resolve, slot, type Use } from 'zesty-lattice';
import { renderHtml, renderPage } from 'zesty-lattice/html';
import { catalog, renderDocument } from 'zesty-lattice/markup';
import { adopt } from 'zesty-lattice-tools/adopt';
import { componentCore } from '../../packages/lattice/src/component/index.js';
import { documentFindings } from '../../packages/lattice/src/markup/document/document-findings.js';
import { placed } from '../../packages/lattice/src/problem/index.js';
import * as prelude from '../problems/mistakes/prelude.js';
import { outcomeOf, recordedIn, useWithoutPlaces, wordsOf } from './recorded.js';
import { documents, drawn, rules, templates } from './texts.js';

// What each text comes to as HTML, and every word that is said of it with line and column.

const holds = recordedIn<readonly string[]>(new URL('./texts.json', import.meta.url));

const FailingPart = component('failing-part', {
  props: { name: prop.text().fallback('x') },
  template: ({ props }) =>
    el.p(
      calc(props.name, (name) => {
        throw new Error(`nothing comes of ${name}`);
      }),
    ),
});
const { BoardRow, CrateCounter, NeedBox, NoteCard, PlainSign, PriceTag, RowList, StallBoard, TextLine } =
  prelude;
const all = [
  BoardRow,
  CrateCounter,
  NeedBox,
  NoteCard,
  PlainSign,
  PriceTag,
  RowList,
  StallBoard,
  TextLine,
  FailingPart,
];

const cores = new Map(all.flatMap((one) => componentCore(one) ?? []).map((core) => [core.name, core]));

function renderText(text: string): string {
  const made = component('one-text', {
    props: {
      open: prop.flag(),
      title: prop.text().fallback('Grove'),
      count: prop.number().fallback(2),
      items: prop
        .list(prop.record({ id: prop.number(), name: prop.text(), tags: prop.list(prop.text()) }))
        .fallback([
          { id: 1, name: 'A<', tags: ['x', 'y'] },
          { id: 2, name: 'B"', tags: [] },
        ]),
      none: prop.list(prop.text()).fallback([]),
      when: prop.date().fallback(new Date(Date.UTC(2026, 10, 28, 9))),
      maybe: prop.text().optional(),
      url: prop.text().fallback('https://grove.example/a?b=1&c=2'),
    },
    slots: { default: slot(), badge: slot() },
    state: () => ({
      name: 'Ann',
      crates: 3,
      done: true,
      picked: 'b',
      day: null as Date | null,
      at: new Date(Date.UTC(2026, 0, 1, 9, 30)),
      tags: ['b'],
    }),
    handlers: { add: ({ state }, step: number) => ({ crates: state.crates + step }), send: () => undefined },
    helpers: {
      upper: (one: string) => one.toUpperCase(),
      fails: () => {
        throw new Error('a helper fails');
      },
    },
    uses: [BoardRow, CrateCounter, NeedBox, NoteCard, PlainSign, PriceTag, RowList, StallBoard],
    template: text,
  });
  const filled = made as unknown as (props: object, content: object) => Use;
  return [
    renderHtml(filled({}, {})),
    renderHtml(filled({ open: true, maybe: 'm', count: 0 }, { default: 'given', badge: 'of it' })),
    renderHtml(filled({}, {}), { form: 'elements' }).replace(/^<one-text[^>]*>/, ''),
    ...[...resolve(filled({}, {})).walk()].slice(1).map(useWithoutPlaces),
  ].join('\n');
}

describe('what comes of texts is what was recorded', () => {
  test.each(documents)('document: %s', (text) => {
    const whole = `<!doctype html>\n<html lang="en"><head><meta charset="utf-8"><title>x</title></head><body><main><h1>x</h1>\n${text}\n</main></body></html>\n`;
    const known = catalog(all, { foreign: ['their-part'] });
    for (const page of text.includes('<!doctype') ? [text] : [whole, text])
      holds(
        `document ${page === whole ? 'whole ' : ''}${text}`,
        outcomeOf(() => {
          const { html, problems } = renderDocument(page, known, { file: 'page.html' });
          const ofPage = documentFindings(page, 'page.html', cores).map((one) => wordsOf(placed(one, '')));
          return [html.replace(whole.slice(0, 100), ''), ...problems.map(wordsOf), ...ofPage];
        }),
      );
  });

  test.each(templates)('template: %s', (text) => {
    holds(
      `template ${text}`,
      outcomeOf(() => [renderText(text)]),
    );
  });

  test.each(drawn)('drawn from: %s %o', (text, options) => {
    for (const as of ['text', 'builders'] as const)
      holds(
        `drawn as ${as} ${JSON.stringify(options)} ${text}`,
        outcomeOf(() => {
          const { blocks, markup, module, props, sample } = adopt(text, { name: 'one-card', as, ...options });
          return [`${blocks} ${props}`, markup ?? '', module, sample];
        }),
      );
  });

  test.each(rules)('rules: %s', (text) => {
    const made = component('one-look', { styles: text, template: '<p class="a"><b>x</b><slot></slot></p>' });
    holds(
      `rules ${text}`,
      outcomeOf(() => [
        renderPage(made({}), { title: 'x' }).replace(/^[\s\S]*?<style/, '<style'),
        renderHtml(made({}), { form: 'elements' }),
      ]),
    );
  });
});
