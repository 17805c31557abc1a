import { type Content, calc, component, eachOf, el, given, phrase, prop } from 'zesty-lattice';
import type { Problem } from 'zesty-lattice/internal/problem';
import { countWords } from 'zesty-lattice/internal/tree';
import type { ComponentFacts, Token } from '../../reading/facts.js';
import type { Line } from '../../tree-page/view.js';
import { addressOf } from './address.js';
import { branchRules, codeRules, indexRules, problemRules } from './rules.js';

/** Code or HTML text, in colours where its pieces say what they are. */
export const CodeView = component('code-view', {
  props: { label: prop.text(), lines: prop.list<readonly Token[]>(), wraps: prop.flag() },
  styles: codeRules,
  template: ({ props }) =>
    // What scrolls is reached by the keyboard.
    el.pre(
      { class: { wraps: props.wraps }, tabindex: 0, role: 'region', 'aria-label': props.label },
      eachOf(props.lines, (line) => [eachOf(line, ({ kind, text }) => el.span({ class: kind }, text)), '\n']),
    ),
});

/** A line of the tree, and in it those below. */
export const TreeBranch = component('tree-branch', {
  props: { line: prop.record<Line>() },
  styles: branchRules,
  template: ({ props: { line } }): Content =>
    el.li(
      el.span(
        { class: line.kind },
        calc(line.kind, line.name, (kind, name) => (kind === 'slot' ? `slot ${name}` : name)),
      ),
      eachOf(line.notes, (note) => el.span({ class: 'note' }, note)),
      eachOf(line.props, (one) =>
        el.span(
          { class: 'prop' },
          one.name,
          ' ',
          el.i(one.value),
          given(one.from, (from) => [' ', from]),
        ),
      ),
      given(
        calc(line.lines, (lines) => lines.length > 0),
        el.ul(eachOf(line.lines, (one) => TreeBranch({ line: one }))),
      ),
    ),
});

/** A problem, and what to do about it. */
export const ProblemNote = component('problem-note', {
  props: { problem: prop.record<Pick<Problem, 'code' | 'severity' | 'message' | 'hint'>>() },
  styles: problemRules,
  template: ({ props: { problem } }) =>
    el.div(
      { class: problem.severity },
      el.p(
        given(problem.code, (code) => [el.code(code), ' ']),
        problem.message,
      ),
      given(problem.hint, el.p(problem.hint)),
    ),
});

/** All that was found: where a preview begins. */
export const ComponentIndex = component('component-index', {
  props: { components: prop.list<ComponentFacts>() },
  styles: indexRules,
  template: ({ props }) =>
    el.ul(
      { role: 'list' },
      eachOf(props.components, (one) =>
        el.li(
          el.a({ class: 'name', href: phrase`#${one.name}` }, one.name),
          given(one.isLive, el.span({ class: 'live' }, 'live')),
          given(one.description, el.p(one.description)),
          el.p(
            { class: 'more' },
            given(
              calc(one.problems, (all) => all.length > 0),
              el.span(
                { class: 'bad' },
                calc(one.problems, (all) => countWords(all.length, 'problem')),
              ),
            ),
            eachOf(one.samples, (sample) =>
              el.a(
                {
                  href: calc(
                    one.name,
                    sample,
                    (name, { given: its }) => `#${its ? addressOf(name, its) : name}`,
                  ),
                },
                sample.name,
              ),
            ),
          ),
        ),
      ),
    ),
});
