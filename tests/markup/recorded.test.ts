import { readFileSync, writeFileSync } from 'node:fs';
import { afterAll, describe, expect, test } from 'vitest';
import { component, LatticeError, type Problem, prop, slot, type Use } from 'zesty-lattice';
import { renderHtml, renderPage } from 'zesty-lattice/html';
import { catalog, renderDocument } from 'zesty-lattice/markup';
import { componentCore } from '../../packages/lattice/src/component/index.js';
import { documentFindings } from '../../packages/lattice/src/markup/document/document-findings.js';
import { placed } from '../../packages/lattice/src/problem/index.js';
import * as prelude from '../problems/mistakes/prelude.js';
import { documents, rules, templates } from './recorded-texts.js';

/**
 * What each text comes to as HTML, and every word that is said of it with line and column, recorded. To change it on
 * purpose, run `LATTICE_RECORD=1 npx vitest run tests/markup/recorded.test.ts` and read the difference.
 */
const file = new URL('./recorded.json', import.meta.url);
const recorded = JSON.parse(readFileSync(file, 'utf8')) as Record<string, readonly string[]>;
const written: Record<string, readonly string[]> = {};
const isRecording = process.env.LATTICE_RECORD === '1';
afterAll(() => {
  if (isRecording) writeFileSync(file, `${JSON.stringify(written, undefined, 1)}\n`);
});

const worded = ({ code, hint, message, severity, where, source }: Problem): string =>
  `${source && !source.file.includes('recorded.test') ? `${source.line}:${source.column} ` : ''}${severity} ${code}${where && ` in ${where}`}: ${message} | ${hint}`;

function outcome(make: () => readonly string[]): readonly string[] {
  try {
    return make();
  } catch (thrown) {
    if (thrown instanceof LatticeError) return thrown.problems.map(worded);
    return [String(thrown)];
  }
}

const { BoardRow, CrateCounter, NeedBox, NoteCard, PlainSign, PriceTag, RowList, StallBoard, TextLine } =
  prelude;
const all = [BoardRow, CrateCounter, NeedBox, NoteCard, PlainSign, PriceTag, RowList, StallBoard, TextLine];

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
    state: () => ({ name: 'Ann', crates: 3, done: true, picked: 'b', day: null as Date | null }),
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
  ].join('\n');
}

function holds(name: string, now: readonly string[]): void {
  written[name] = now;
  if (!isRecording) expect(now).toEqual(recorded[name]);
}

describe('what comes of texts is what was recorded', () => {
  test.each(documents)('document: %s', (text) => {
    const whole = `<!doctype html>\n<html lang="en"><head><meta charset="utf-8"><title>x</title></head><body><main><h1>x</h1>\n${text}\n</main></body></html>\n`;
    const known = catalog(all, { foreign: ['their-part'] });
    for (const page of text.includes('<!doctype') ? [text] : [whole, text])
      holds(
        `document ${page === whole ? 'whole ' : ''}${text}`,
        outcome(() => {
          const { html, problems } = renderDocument(page, known, { file: 'page.html' });
          const ofPage = documentFindings(page, 'page.html', cores).map((one) => worded(placed(one, '')));
          return [html.replace(whole.slice(0, 100), ''), ...problems.map(worded), ...ofPage];
        }),
      );
  });

  test.each(templates)('template: %s', (text) => {
    holds(
      `template ${text}`,
      outcome(() => [renderText(text)]),
    );
  });

  test.each(rules)('rules: %s', (text) => {
    const made = component('one-look', { styles: text, template: '<p class="a"><b>x</b><slot></slot></p>' });
    holds(
      `rules ${text}`,
      outcome(() => [
        renderPage(made({}), { title: 'x' }).replace(/^[\s\S]*?<style/, '<style'),
        renderHtml(made({}), { form: 'elements' }),
      ]),
    );
  });
});
