// npm run bench:limits: what reads input, at n, 2n and 4n of it, in milliseconds, and the last one to the one before: 2 is
// linear, 4 is square. Each case is what somebody may hand in to keep a program busy.
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { component, el, prop, resolve } from 'zesty-lattice';
import { renderHtml } from 'zesty-lattice/html';
import { adopt, catalog, renderDocument } from 'zesty-lattice/markup';
import { check } from 'zesty-lattice-tools/check';

const folder = mkdtempSync(join(tmpdir(), 'lattice-limits-'));
process.on('exit', () => rmSync(folder, { recursive: true }));
const S = component('stall-sign', {
  props: { name: prop.text().fallback('x') },
  template: ({ props }) => el.b(props.name),
});
let k = 0;
const text = (template, more = {}) => {
  const c = component(`t-${k++}`, { template, ...more });
  try {
    return renderHtml(c).length;
  } catch (e) {
    return `${e.problems?.length} ${e.problems?.[0]?.code}`;
  }
};
const cases = {
  'unclosed tags in a text': (n) => text('<b>'.repeat(n)),
  'unclosed li': (n) => text(`<ul>${'<li>x'.repeat(n)}</ul>`),
  'equal attributes': (n) => text(`<p ${'a="1" '.repeat(n)}>x</p>`),
  'many attributes': (n) =>
    text(`<p ${Array.from({ length: n }, (_, i) => `data-a${i}="1"`).join(' ')}>x</p>`),
  'joinLines on spaces': (n) => text(`<p>a${' '.repeat(n)}\n${' '.repeat(n)}b</p>`, { joinLines: true }),
  'spaces in a text': (n) => text(`<p>${' '.repeat(n)}</p>`),
  'style with ;': (n) => {
    const c = component(`s-${k++}`, {
      props: { s: prop.text() },
      template: ({ props }) => el.p({ style: props.s }),
    });
    try {
      return renderHtml(c, { s: ';'.repeat(n) }).length;
    } catch (e) {
      return e.message.slice(0, 50);
    }
  },
  'constant style with ;': (n) => text(`<p style="${';'.repeat(n)}">x</p>`),
  'ids and near misses': (n) => {
    const c = component(`i-${k++}`, {
      template: () =>
        el.div(
          Array.from({ length: n }, (_, i) => [el.p({ id: `ident${i}` }), el.label({ for: `idemt${i}` })]),
        ),
    });
    return resolve(c).problems.length;
  },
  'choice with a long value': (n) => {
    const c = component(`c-${k++}`, {
      props: { c: prop.choice(['early', 'late']) },
      template: ({ props }) => el.p(props.c),
    });
    try {
      return renderHtml(c, { c: 'x'.repeat(n) });
    } catch (e) {
      return e.message.length;
    }
  },
  'a long attribute name': (n) => text(`<p ${'x'.repeat(n)}="1">y</p>`),
  'a long name in a hole': (n) => text(`<p>{{ ${'x'.repeat(n)} }}</p>`),
  'a long tag': (n) => text(`<${'x'.repeat(n)}>y</${'x'.repeat(n)}>`),
  'document with unclosed': (n) =>
    renderDocument(`${'<b>'.repeat(n)}<stall-sign></stall-sign>`, catalog([S])).problems.length,
  'many components in a document': (n) =>
    renderDocument('<stall-sign></stall-sign>'.repeat(n), catalog([S])).html.length,
  'unclosed components': (n) => renderDocument('<stall-sign>'.repeat(n), catalog([S])).problems.length,
  'adopt many blocks': (n) => {
    try {
      return adopt('<p>x</p>'.repeat(n), { name: 'a-b' }).blocks;
    } catch (e) {
      return e.message.slice(0, 40);
    }
  },
  holes: (n) => text(`<p>${"{{ 'a' }}".repeat(n)}</p>`),
  'unclosed hole': (n) => text(`<p>${'{{ '.repeat(n)}</p>`),
  'css rules': (n) => {
    const c = component(`r-${k++}`, { styles: 'p { color: red }\n'.repeat(n), template: () => el.p('x') });
    return renderHtml(c, undefined, { styles: true }).length;
  },
  'css braces': (n) => {
    const c = component(`r-${k++}`, { styles: '{'.repeat(n), template: () => el.p('x') });
    try {
      return renderHtml(c, undefined, { styles: true }).length;
    } catch (e) {
      return e.message.slice(0, 40);
    }
  },
  'adopt equal names': (n) => {
    const block = (text) => `<div>${`<p>${text}</p>`.repeat(n)}</div>`;
    return adopt(block('x') + block('y'), { name: 'a-b' }).blocks;
  },
  'adopt terms': (n) => {
    const block = (text) => `<dl>${`<dt>q</dt><dd>${text}</dd>`.repeat(n)}</dl>`;
    return adopt(block('x') + block('y'), { name: 'a-b' }).blocks;
  },
  'style with an interpolation': (n) => text(`<p style="${'a: (b; '.repeat(n)} c: {{ 'x' }}">x</p>`),
  'blocks of other languages': (n) => text('{% word '.repeat(n)),
  'check unclosed tags': async (n) => {
    const file = join(folder, 'page.html');
    writeFileSync(file, `<!doctype html><html lang="en"><title>x</title><body>${'<div>'.repeat(n)}`);
    return (await check([file])).problems.length;
  },
  'check nested tags': async (n) => {
    const file = join(folder, 'page.html');
    const inside = `${'<div>'.repeat(n)}x${'</div>'.repeat(n)}`;
    writeFileSync(file, `<!doctype html><html lang="en"><title>x</title><body>${inside}</body></html>`);
    return (await check([file])).problems.length;
  },
  'rows over rows of literals': (n) => {
    const [from, to] = ['<template each-of="[1,2,3,4,5,6,7,8,9,10]">', '</template>'];
    const c = component(`n-${k++}`, { template: from.repeat(6) + '<b>x</b>'.repeat(n) + to.repeat(6) });
    return resolve(c).problems.length;
  },
  'wrong props': (n) => {
    try {
      return resolve(S, Object.fromEntries(Array.from({ length: n }, (_, i) => [`namee${i}`, 1]))).problems
        .length;
    } catch (e) {
      return e.message.slice(0, 40);
    }
  },
};

const sizes = [4000, 8000, 16_000];
console.log(`${''.padEnd(32)}${sizes.map((n) => String(n).padStart(9)).join('')}    last to the one before`);
for (const [name, run] of Object.entries(cases)) {
  await run(sizes[0] / 10);
  const took = [];
  for (const n of sizes) {
    const start = performance.now();
    await run(n);
    took.push(performance.now() - start);
  }
  const growth = (took.at(-1) / took.at(-2)).toFixed(1);
  console.log(
    `${name.padEnd(32)}${took.map((ms) => ms.toFixed(0).padStart(9)).join('')}${growth.padStart(10)}`,
  );
}
