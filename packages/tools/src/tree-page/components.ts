import { component, prop, slot } from 'zesty-lattice/internal/component';
import { type Content, calc, eachOf, el, given, phrase } from 'zesty-lattice/internal/template';
import { countWords } from 'zesty-lattice/internal/tree';
import { lineRules, pageRules, problemRules, propRules, wordsRules } from './rules.js';
import type { Line, ProblemLine, PropLine, TreeView } from './view.js';

/** What a use was given, a line each. */
const GivenProps = component('given-props', {
  props: { props: prop.list<PropLine>() },
  styles: propRules,
  template: ({ props }) =>
    given(
      calc(props.props, (all) => all.length > 0),
      el.dl(
        eachOf(props.props, (one) => [
          el.dt(one.name),
          el.dd(given(one.value, el.b(one.value)), given(one.from, el.i(one.from))),
        ]),
      ),
    ),
});

/** A problem at the use that it stands at. */
const ProblemHere = component('problem-here', {
  props: { code: prop.text(), severity: prop.text(), message: prop.text(), hint: prop.text() },
  styles: problemRules,
  template: ({ props }) =>
    el.div(
      { class: ['problem', props.severity] },
      el.p(el.code(props.code), ' ', props.message),
      given(props.hint, el.p({ class: 'hint' }, props.hint)),
    ),
});

/** A line of the tree, and in it those below. */
const TreeLine = component('tree-line', {
  props: { line: prop.record<Line>() },
  styles: lineRules,
  template: ({ props: { line } }): Content =>
    el.li(
      {
        class: [
          line.kind,
          {
            unseen: line.isHidden,
            faulty: calc(line.problems, (all) => all.length > 0),
          },
        ],
        'data-name': calc(line.kind, line.name, (kind, name) => (kind === 'use' ? name : null)),
      },
      given(
        calc(
          line.lines,
          line.props,
          line.problems,
          (lines, props, problems) => lines.length + props.length + problems.length > 0,
        ),
        el.details(
          { open: calc(line.isFolded, (isFolded) => !isFolded) },
          el.summary({ id: calc(line.id, (id) => id || null) }, LineWords({ line })),
          eachOf(line.problems, ({ code, severity, message, hint }) =>
            ProblemHere({ code, severity, message, hint }),
          ),
          GivenProps({ props: line.props }),
          given(
            calc(line.lines, (lines) => lines.length > 0),
            el.ul(eachOf(line.lines, (one) => TreeLine({ line: one }))),
          ),
        ),
        el.div({ class: 'bare', id: calc(line.id, (id) => id || null) }, LineWords({ line })),
      ),
    ),
});

/** What a line says itself. */
const LineWords = component('line-words', {
  props: { line: prop.record<Line>() },
  styles: wordsRules,
  template: ({ props: { line } }) => [
    given(
      calc(line.kind, (kind) => kind === 'slot'),
      el.span({ class: 'word' }, 'slot '),
    ),
    el.span({ class: ['name', line.kind, { unseen: line.isHidden }] }, line.name),
    eachOf(line.notes, (note) => el.span({ class: 'note' }, note)),
    given(
      calc(line.problems, (all) => all.length > 0),
      el.span(
        { class: 'mark' },
        calc(line.problems, (all) => countWords(all.length, 'problem')),
      ),
    ),
    given(line.written, el.span({ class: 'written' }, line.written)),
  ],
});

/** All problems, each with the way to its place. */
const ProblemList = component('problem-list', {
  props: { problems: prop.list<ProblemLine>() },
  styles: problemRules,
  template: ({ props }) =>
    el.section(
      { class: 'problems', 'aria-labelledby': 'problems' },
      el.h2({ id: 'problems' }, 'Problems'),
      eachOf(
        props.problems,
        ({ problem, at, place }) =>
          el.article(
            { class: ['problem', problem.severity] },
            el.p(el.code(problem.code), ' ', problem.message),
            el.p({ class: 'hint' }, problem.hint),
            given(at, el.p(el.a({ href: phrase`#${at}` }, place)), el.p({ class: 'place' }, place)),
          ),
        { empty: el.p({ class: 'none' }, 'None: all is well.') },
      ),
    ),
});

/** The page: what there is, what to look for, the tree and its problems. */
export const TreePage = component('tree-page', {
  props: { name: prop.text(), view: prop.record<TreeView>() },
  slots: { default: slot() },
  styles: pageRules,
  template: ({ props: { name, view }, slots }) => [
    el.header(
      el.h1(name),
      el.p(
        calc(view.components, view.uses, view.depth, (components, uses, depth) =>
          [
            countWords(components.length, 'component'),
            countWords(uses, 'use'),
            `${countWords(depth, 'level')} deep`,
          ].join(' · '),
        ),
      ),
    ),
    el.form(
      { role: 'search', class: 'find' },
      el.label('Find ', el.input({ type: 'search', id: 'words', autocomplete: 'off' })),
      el.label(
        'Component ',
        el.select(
          { id: 'component' },
          el.option({ value: '' }, 'all'),
          eachOf(view.components, (one) =>
            el.option({ value: one.name }, phrase`${one.name} (${one.count})`),
          ),
        ),
      ),
      el.label({ class: 'tick' }, el.input({ type: 'checkbox', id: 'faulty' }), ' Only with problems'),
      el.label({ class: 'tick' }, el.input({ type: 'checkbox', id: 'seen' }), ' Only what is shown'),
      el.span(
        { class: 'fold' },
        el.button({ type: 'button', id: 'unfold' }, 'Unfold all'),
        el.button({ type: 'button', id: 'fold' }, 'Fold all'),
      ),
      el.output({ id: 'found', for: 'words component faulty seen' }),
    ),
    el.div(
      { class: 'both' },
      el.main(
        { 'aria-label': 'The tree' },
        el.ul(
          { class: 'tree' },
          eachOf(view.lines, (line) => TreeLine({ line })),
        ),
      ),
      ProblemList({ problems: view.problems }),
    ),
    slots.default(),
  ],
});
