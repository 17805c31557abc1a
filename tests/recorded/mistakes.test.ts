import { describe, test } from 'vitest';
import * as lattice from 'zesty-lattice';
import { type AnyComponent, LatticeError, resolve } from 'zesty-lattice';
import { renderHtml } from 'zesty-lattice/html';
import { catalog, renderDocument } from 'zesty-lattice/markup';
import { componentCore } from '../../packages/lattice/src/component/index.js';
import { codeOf } from '../../packages/lattice/src/html/code/ahead.js';
import { inspectedUse, resolveOpen } from '../../packages/lattice/src/tree/index.js';
import { type Mistake, mistakes } from '../problems/mistakes/cases.js';
import * as prelude from '../problems/mistakes/prelude.js';
import { recordedIn, useWithoutPlaces, wordsOf } from './recorded.js';

/** Every word that is said of a mistake and of what is right instead, each with its place in the tree, and what is shown. */
interface Recorded {
  readonly thrown?: readonly string[];
  readonly open?: readonly string[];
  readonly problems?: readonly string[];
  readonly shown?: string;
  readonly uses?: readonly string[];
  readonly code?: string;
}

const holds = recordedIn<Recorded>(new URL('./mistakes.json', import.meta.url));

/** What is given by a function, or said by what it throws. */
function outcome<T>(make: () => T): { readonly value?: T; readonly thrown?: readonly string[] } {
  try {
    return { value: make() };
  } catch (thrown) {
    return { thrown: thrown instanceof LatticeError ? thrown.problems.map(wordsOf) : [String(thrown)] };
  }
}

const names = { ...lattice, ...prelude };

/** The component with a mistake in it, or what is right. */
function made({ in: where }: Mistake, text: string): AnyComponent {
  const { component } = lattice;
  const inScope = (code: string, more: readonly string[] = []): ((...args: unknown[]) => unknown) =>
    new Function(...Object.keys(names), ...more, `return ${code};`).bind(undefined, ...Object.values(names));
  if (where === 'define') return inScope(text)() as AnyComponent;
  const { BoardRow, NeedBox, NoteCard, PlainSign, PriceTag, RowList, StallBoard } = prelude;
  const template = where === 'use' ? inScope(text, ['props', 'state', 'slots', 'handlers']) : undefined;
  return component('one-mistake', {
    props: {
      open: lattice.prop.flag(),
      items: lattice.prop.list(lattice.prop.text()).fallback([]),
      name: lattice.prop.text().fallback(''),
      count: lattice.prop.number().fallback(0),
    },
    slots: { default: lattice.slot(), badge: lattice.slot() },
    state: () => ({ count: 0 }),
    handlers: { add: ({ state }, step: number) => ({ count: state.count + step }) },
    helpers: { upper: (one: string) => one.toUpperCase() },
    uses: [BoardRow, NeedBox, NoteCard, PlainSign, PriceTag, RowList, StallBoard],
    template: template
      ? ({ handlers, props, slots, state }) => template(props, state, slots, handlers) as never
      : text,
  });
}

function recordOf(mistake: Mistake, text: string): Recorded {
  if (mistake.in === 'page') {
    const { BoardRow, CrateCounter, NeedBox, NoteCard, PlainSign, PriceTag, RowList, StallBoard } = prelude;
    const all = [BoardRow, CrateCounter, NeedBox, NoteCard, PlainSign, PriceTag, RowList, StallBoard];
    const page = `<!doctype html>\n<html lang="en"><head><title>x</title></head><body><h1>x</h1>\n${text}\n</body></html>\n`;
    const { value, thrown } = outcome(() => renderDocument(page, catalog(all), { file: 'page.html' }));
    return thrown ? { thrown } : { shown: value?.html ?? '', problems: value?.problems.map(wordsOf) ?? [] };
  }
  const { value: component, thrown } = outcome(() => made(mistake, text));
  if (!component) return thrown ? { thrown } : {};
  const core = outcome(() => componentCore(component)).value;
  if (!core) return { thrown: ['not a component'] };
  const use = outcome(() => (component as unknown as (props: object) => lattice.Use)({}));
  const tree = use.value && outcome(() => resolve(use.value as lattice.Use)).value;
  const shown = outcome(() => renderHtml(use.value as lattice.Use));
  const code = outcome(() => codeOf(core)).value;
  const open = resolveOpen(core).problems.map(wordsOf);
  const problems = tree?.problems.map(wordsOf);
  return {
    ...(use.thrown && { thrown: use.thrown }),
    open,
    ...(problems && problems.join() !== open.join() && { problems }),
    ...(tree && {
      uses: [...tree.walk()].flatMap((one) => {
        const seen = inspectedUse(one, one.component, one.path, { name: undefined, count: 2 });
        return [useWithoutPlaces(one), useWithoutPlaces(seen)];
      }),
    }),
    shown: shown.thrown?.join('\n') ?? shown.value ?? '',
    ...(code !== undefined && { code }),
  };
}

describe('what is said and shown is what was recorded', () => {
  test.each(mistakes.map((mistake, at) => [`${at} ${mistake.in}: ${mistake.what}`, mistake] as const))(
    '%s',
    (name, mistake) => {
      for (const which of ['wrong', 'right'] as const)
        holds(`${which} ${name}`, recordOf(mistake, mistake[which]));
    },
  );
});
