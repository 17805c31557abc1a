import { expect, test } from 'vitest';
import {
  type Component,
  type Content,
  component,
  eachOf,
  el,
  given,
  LatticeError,
  type PropsOf,
  prop,
  resolve,
  slot,
} from 'zesty-lattice';
import { renderBytes, renderHtml, renderPage } from 'zesty-lattice/html';
import { catalog, renderDocument } from 'zesty-lattice/markup';
import { adopt } from 'zesty-lattice-tools/adopt';

const levels = 5000;
const reported = (run: () => unknown): readonly unknown[] => {
  try {
    run();
    return ['nothing'];
  } catch (thrown) {
    if (!(thrown instanceof LatticeError)) return [String(thrown)];
    return thrown.problems.map(({ code }) => code);
  }
};

const Box = component('stall-box', {
  slots: { default: slot() },
  template: ({ slots }) => el.div(slots.default()),
});
interface Branch {
  readonly name: string;
  readonly branches: readonly Branch[];
}
const props = { name: prop.text(), branches: prop.list<Branch>() };
const BranchList: Component<PropsOf<typeof props>> = component('branch-list', {
  props,
  template: ({ props }) => [
    el.b(props.name),
    eachOf(props.branches, (one) => BranchList({ name: one.name, branches: one.branches })),
  ],
});

test('inline content', () => {
  let content: Content = 'x';
  for (let at = 0; at < levels; at++) content = el.div(content);
  for (const run of [renderHtml, renderBytes, resolve])
    expect(reported(() => run(Box({}, content)))).toEqual(['too-deep']);
  expect(reported(() => renderPage(Box({}, content), { title: 'x' }))).toEqual(['too-deep']);
});

test('a template', () => {
  const Deep = component('deep-box', {
    template: () => {
      let content: Content = 'x';
      for (let at = 0; at < levels; at++) content = at % 2 === 0 ? el.div(content) : given(true, content);
      return content;
    },
  });
  expect(reported(() => renderHtml(Deep))).toEqual(['too-deep']);
  const Text = component('deep-text', { template: '<div>'.repeat(levels) + 'x' + '</div>'.repeat(levels) });
  expect(reported(() => renderHtml(Text))).toEqual(['too-deep']);
  const Hole = component('deep-hole', {
    props: { a: prop.number() },
    template: `<p>{{ ${'('.repeat(levels)}a${')'.repeat(levels)} }}</p>`,
  });
  expect(JSON.stringify(reported(() => renderHtml(Hole, { a: 1 })))).toMatch(/too-deep|expression-invalid/);
});

test('data that holds itself', () => {
  const branches: Branch[] = [];
  const tree: Branch = { name: 'a', branches };
  branches.push(tree);
  for (let times = 0; times < 10; times++)
    expect(reported(() => renderHtml(BranchList, tree))).toEqual(['too-deep']);
  expect(renderHtml(BranchList, { name: 'b', branches: [] })).toBe('<b>b</b>');
});

test('documents and what is adopted', () => {
  const html = `${'<div>'.repeat(levels)}<stall-box>x</stall-box>${'</div>'.repeat(levels)}`;
  const { html: text, problems } = renderDocument(html, catalog([Box]));
  // A document is followed as deep as it is.
  expect(problems).toEqual([]);
  expect(text).toBe(html.replace('<stall-box>x</stall-box>', '<div>x</div>'));
  expect(reported(() => adopt(html, { name: 'a-part' }))).toEqual(['too-deep']);
});
