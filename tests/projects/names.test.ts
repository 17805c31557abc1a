import { beforeAll, describe, expect, test } from 'vitest';
import { inRun } from '../support/runs.js';
import { installed, Project, patience } from './project.js';

beforeAll(() => void installed(), patience);

/** Components whose props, constants and helpers have the words that written code is made of, with numbers behind them. */
const module = (minified: boolean): string => `
import { calc, component, eachOf, el, given, prop, slot } from 'zesty-lattice';
import { renderBytes, renderHtml } from 'zesty-lattice/html';
const words = ['attribute', 'attribute2', 'attribute28', 'name', 'name1', 'name12', 'where', 'where3', 'made', 'made1', 'text', 'k', 'k_1', 'v', 'v1', 'v$1', '_', '_3', '1a', 'out', 'frame', 'lattice', 'values', 'names0', 'default', 'class', 'check', 'check1', 'data', 'ids', 'items', 'euros', 'euros3', '柑橘', 'é'];
const props = Object.fromEntries(words.filter((word) => /^[a-z]/.test(word)).map((word) => [word, prop.text().fallback(word)]));
const Sign = component('word-sign', {
  props,
  slots: { default: slot() },
  helpers: { euros: (n) => n + ' EUR', euros3: (n) => n + ' euros' },
  template: Object.keys(props).map((word) => \`<i title="{{ props.\${word} }}" class="{{ props.\${word} }} {{ props.\${word} == 'x' and 'on' }}" style="--a: {{ props.\${word} }}">{{ euros(props.\${word}) }}{{ euros3(props.\${word}) }}</i>\`).join('') + '<slot></slot>',
});
const Forty = component('forty-parts', {
  props: { list: prop.list(prop.text()), at: prop.number() },
  template: ({ props }) =>
    Array.from({ length: 40 }, (_, index) =>
      el.p(
        { class: ['a' + index, calc(props.at, (at) => 'b' + at)], style: { color: calc(props.at, (at) => at > 1 && 'red') }, title: calc(props.at, (at) => index + at), hidden: calc(props.at, (at) => at === index) },
        eachOf(props.list, (item) => [Sign({ attribute: item, name1: item }, el.b(item)), given(props.at, el.u(item))]),
      ),
    ),
});
${minified ? `for (const one of [Function.prototype]) Object.defineProperty(one, 'name', { get: () => 'attribute2' });` : ''}
const errors = [];
console.error = (...all) => errors.push(all.join(' '));
const texts = new Set();
for (let n = 0; n < 12; n++) {
  texts.add(renderHtml(Forty, { list: ['x', 'y'], at: 3 }));
  texts.add(new TextDecoder().decode(renderBytes(Forty, { list: ['x', 'y'], at: 3 })));
}
const one = new Set(Array.from({ length: 12 }, () => renderHtml(Sign({ name: 'n' }, el.b('x')))));
console.log(JSON.stringify({ texts: texts.size, one: one.size, errors }));
`;

describe('twelve renderings with the packed library', () => {
  test.each(
    inRun(
      [
        ['as it is', 'index.mjs', false],
        ['where functions have other names', 'named.mjs', true],
      ] as const,
      ([, , minified]) => minified,
    ),
  )('are one text, %s', (_how, file, minified) => {
    const project = new Project({ 'package.json': '{ "type": "module" }', [file]: module(minified) });
    expect(JSON.parse(project.must('node', file))).toEqual({ texts: 1, one: 1, errors: [] });
  });
});
