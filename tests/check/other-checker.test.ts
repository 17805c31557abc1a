import { readdirSync, readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { HtmlValidate } from 'html-validate';
import { describe, expect, test } from 'vitest';
import { catalog } from 'zesty-lattice/markup';
import { documentProblems } from '../../packages/tools/src/check/markup.js';

// Another checker of HTML reads the same documents: what it finds we find as well, but for what is listed, with the reason.

const folder = fileURLToPath(new URL('../markup/broken/', import.meta.url));
const page = (body: string): string =>
  `<!doctype html>\n<html lang="en">\n<head><meta charset="utf-8"><title>Open day</title></head>\n<body>\n<h1>Open day</h1>\n${body}\n</body>\n</html>\n`;

/** What people write wrong in documents, besides the broken templates of the other room. */
const more: readonly string[] = [
  '<a href="/map"><button type="button">Map</button></a>',
  '<button type="button"><a href="/map">Map</a></button>',
  '<ul><p>x</p></ul>',
  '<div><li>x</li></div>',
  '<h2>a</h2><h4>b</h4>',
  '<img src="x.png">',
  '<p id="a">x</p><p id="a">y</p>',
  '<label>Name</label><input type="text">',
  '<label for="nowhere">Name</label>',
  '<p aria-live="loud">x</p>',
  '<p role="statsu">x</p>',
  '<p aria-labeledby="x">x</p>',
  '<p aria-labelledby="nowhere">x</p>',
  '<span><div>x</div></span>',
  '<p><table></table></p>',
  '<table><div>x</div></table>',
  '<tr><td>x</td></tr>',
  '<dl><li>x</li></dl>',
  '<select><p>x</p></select>',
  '<input type="text" disabled="false">',
  '<form><form></form></form>',
  '<a href="#a"><a href="#b">x</a></a>',
  '<p hrref="x">x</p>',
  '<center>x</center>',
  '<font color="red">x</font>',
  '<blink>x</blink>',
  '<p class="a" class="b">x</p>',
  '<br></br>',
  '<div/>',
  '<p>a & b &nosuch; c</p>',
  '<video><source src="a.mp4"><p>x</p></video>',
  '<label><input type="text"><select></select></label>',
  '<label>a <label>b <input type="text"></label></label>',
  '<fieldset><p>x</p><legend>y</legend></fieldset>',
  '<details><p>x</p></details>',
  '<a>x</a>',
  '<iframe src="x"></iframe>',
  '<input type="nonsense">',
  '<p lang="">x</p>',
  '<meta name="x" content="y">',
  '<style>p { margin: 0 }</style>',
];

const broken = readdirSync(folder)
  .filter((name) => name.endsWith('.html'))
  .map((name) => readFileSync(folder + name, 'utf8'))
  // Template texts say things that no document has.
  .filter((text) => !/\{\{|<template|<slot|[a-z]-[a-z]+[ >]/.test(text));

const html = new HtmlValidate({ extends: ['html-validate:standard'] });

/** What the other one says and we do not, and why. */
const left: readonly (readonly [rule: string, message: RegExp, why: string])[] = [
  [
    'close-order',
    /./,
    'it tells the end tags that follow; what is not closed is told once, where it is opened',
  ],
  [
    'element-permitted-content',
    /^<(?:html|head|body)> element|<li> element is not permitted as content under <b>/,
    'a second html, head or body is taken for the first one by every parser; and a b that is not closed is told as that',
  ],
  ['element-permitted-parent', /^<(?:head|li)> element/, 'the same'],
  ['element-required-content', /^<(?:html|head)> element/, 'the same'],
];

describe('what another checker finds', () => {
  test('is found here, too, or is listed with the reason', async () => {
    const missed: string[] = [];
    for (const body of [...more, ...broken]) {
      const text = page(body);
      const report = await html.validateString(text);
      const lines = new Set(
        documentProblems(text, 'page.html', catalog([]).components, []).map(({ source }) => source?.line),
      );
      for (const { line, message, ruleId } of report.results.flatMap(({ messages }) => messages))
        if (!lines.has(line) && !left.some(([rule, words]) => rule === ruleId && words.test(message)))
          missed.push(`${ruleId}: ${message} (${body.slice(0, 60)})`);
    }
    expect(missed).toEqual([]);
  });
});
