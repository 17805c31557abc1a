import { describe, expect, test } from 'vitest';
import { component, type LatticeError, prop, resolve } from 'zesty-lattice';
import { renderHtml } from 'zesty-lattice/html';

const codesOf = (run: () => unknown): readonly string[] => {
  try {
    run();
    return [];
  } catch (thrown) {
    return (thrown as LatticeError).problems.map(({ code }) => code);
  }
};

const names = [
  'constructor',
  '__proto__',
  'toString',
  'valueOf',
  'hasOwnProperty',
  '__defineGetter__',
  'window',
  'globalThis',
  'document',
  'process',
];

describe.each([
  ['without a state', {}],
  [
    'with a state that its props make',
    {
      state: ({ title, at, of }: never) => ({
        count: (title as string).length + (at as Date).getTime() + (of as { n: number }).n,
      }),
    },
  ],
  [
    'with a state that cannot be known before',
    { state: ({ title }: never) => ({ count: JSON.parse(title as string).length }) },
  ],
])('%s', (_how, more) => {
  const part = (template: string) =>
    component('hostile-part', {
      props: { title: prop.text(), at: prop.date(), of: prop.record({ n: prop.number() }) },
      ...(more as { state?: () => { count: number } }),
      helpers: { shown: (value: unknown) => String(value) },
      template,
    });
  const isTold = !('state' in more) || String(more.state).includes('getTime');

  test.each(names)('the name %s is none of a template’s', (name) => {
    if (!isTold && !(name in {})) return;
    for (const hole of [`{{ ${name} }}`, `{{ shown(${name}) }}`, `{{ title + ${name} }}`])
      expect(
        resolve(part(`<p>${hole}</p>`)).problems.map(({ code }) => code),
        hole,
      ).toContain('name-unknown');
    expect(resolve(part(`<p title="{{ ${name} }}">x</p>`)).problems.map(({ code }) => code)).toContain(
      'name-unknown',
    );
    expect(
      resolve(part(`<template given="${name}">x</template>`)).problems.map(({ code }) => code),
    ).toContain('name-unknown');
  });

  test('what it does have is there', () => {
    const { problems } = resolve(part(`<p>{{ title }}${'state' in more ? '{{ count }}' : ''}</p>`));
    expect(problems.filter(({ severity }) => severity === 'error')).toEqual([]);
  });
});

test.each([
  'data:,alert(1)',
  'data:text/plain,alert(1)',
  'DATA:text/javascript,alert(1)',
  ' da\nta:application/x-anything;base64,YWxlcnQoMSk=',
  'data:image/png,alert(1)',
])('a script comes from no data: %j', (src) => {
  const Page = component('script-page', {
    props: { src: prop.text() },
    template: '<script src="{{ src }}"></script>',
  });
  expect(codesOf(() => renderHtml(Page, { src }))).toEqual(['attribute-unsafe']);
  const Drawn = component('svg-page', {
    props: { src: prop.text() },
    template: '<svg><script href="{{ src }}"></script></svg>',
  });
  expect(codesOf(() => renderHtml(Drawn, { src }))).toEqual(['attribute-unsafe']);
  expect(renderHtml(Page, { src: '/data:x' })).toBe('<script src="/data:x"></script>');
});

test.each([
  'data:text/xsl,x',
  'data:application/xslt+xml,x',
  'data:text/xml,x',
  'data:application/xhtml+xml,x',
])('a document that can run scripts is no data: %s', (url) => {
  for (const template of [
    '<a href="{{ url }}">x</a>',
    '<iframe src="{{ url }}" title="x"></iframe>',
    '<object data="{{ url }}"></object>',
    '<embed src="{{ url }}">',
  ]) {
    const Page = component('frame-page', { props: { url: prop.text() }, template });
    expect(
      codesOf(() => renderHtml(Page, { url })),
      template,
    ).toEqual(['attribute-unsafe']);
  }
});
