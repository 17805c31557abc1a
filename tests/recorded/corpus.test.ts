import { describe, expect, test } from 'vitest';
import { resolve, type Use } from 'zesty-lattice';
import { type RenderOptions, renderBytes, renderHtml, renderPage } from 'zesty-lattice/html';
import { cases } from '../same/cases/index.js';
import { type ComponentCore, codeOf, componentCore } from '../same/internals.js';
import { inEachWay } from '../same/ways.js';
import { asFunctions, asMarkup, html, htmlOfSpot, momentsOf, useOf } from '../same/writings.js';
import { recordedIn, useWithoutPlaces } from './recorded.js';

/**
 * What each case of the corpus comes to, recorded. To change it on purpose, run
 * `LATTICE_RECORD=1 npx vitest run tests/recorded/corpus.test.ts` and read the difference.
 */
interface Recorded {
  /** The HTML text at first and after each step; one that is as the one before it is left out. */
  readonly html: readonly (string | null)[];
  readonly elements: string;
  /** On the spot, where it is not as the component's. */
  readonly spot?: string;
  readonly rules?: string;
  /** Problems of the tree with their places, and the uses in it: with props and slots where there are several. */
  readonly problems?: readonly string[];
  readonly uses: readonly string[];
  /** The code that writes the HTML text, of some. */
  readonly code?: string;
  /** The template as HTML text, where it is something else. */
  readonly markup?: readonly (string | null)[];
}

const holds = recordedIn<Recorded>(new URL('./corpus.json', import.meta.url));

const withoutSame = (texts: readonly string[]): (string | null)[] =>
  texts.map((text, at) => (at > 0 && text === texts[at - 1] ? null : text));

const decoder = new TextDecoder();

describe('what the corpus comes to is what was recorded', () => {
  test.each(cases.map((one) => [one.name, one] as const))('%s', (name, one) => {
    const made = asFunctions('corpus-case', one);
    const moments = momentsOf(one).slice(0, 6);
    const [first] = moments;
    if (!first) throw new Error('A case has a first moment.');
    const uses = moments.map((moment) => useOf(made, one, moment));
    const texts = (by?: RenderOptions): string[] =>
      uses.map((use) => html(() => (by ? renderHtml(use, by) : renderHtml(use))));
    const [start] = uses as [Use];
    const elements = html(() => renderHtml(start, { form: 'elements' }));
    const tree = resolve(start);
    const usual = texts();
    const spot = one.without?.spot ? undefined : htmlOfSpot(one, first);
    const markup = asMarkup('corpus-case', one);
    const asText =
      typeof markup === 'string'
        ? usual
        : moments.map((moment) => html(() => renderHtml(useOf(markup, one, moment))));
    const rules = one.styles === undefined ? undefined : html(() => renderPage(start, { title: 'Grove' }));
    holds(name, {
      html: withoutSame(usual),
      // Its attributes are the same in all cases.
      elements: elements.replace(/^<corpus-case[^>]*>/, ''),
      ...(spot !== undefined && spot !== `<div>${usual[0]}</div>` && { spot }),
      ...(rules !== undefined && { rules }),
      ...(tree.problems.length > 0 && {
        problems: tree.problems.map(
          ({ code, hint, message, where }) => `${code} ${where}: ${message} ${hint}`,
        ),
      }),
      uses: [...tree.walk()].map((one, at) => (at === 0 ? one.path : useWithoutPlaces(one))),
      ...(cases.indexOf(one) % 6 === 0 && { code: codeOf(componentCore(made) as ComponentCore) }),
      ...(asText.join() !== usual.join() && { markup: withoutSame(asText) }),
    });
    for (const [way, all] of inEachWay(made, (by) => [
      ...texts(by),
      html(() => decoder.decode(renderBytes(start, by))),
      html(() => renderHtml(start, { ...by, form: 'elements' })),
    ]))
      expect([way, ...all]).toEqual([way, ...usual, usual[0], elements]);
  });
});
