import { readdirSync, readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { describe, expect, test } from 'vitest';
import { component, eachOf, el, type Problem, prop, resolve, slot } from 'zesty-lattice';

// Each file has what people write by mistake; expected.json has for each the codes and places of what is wrong.
const folder = fileURLToPath(new URL('./broken/', import.meta.url));
const expected = JSON.parse(readFileSync(`${folder}expected.json`, 'utf8')) as Record<
  string,
  readonly string[]
>;

const NoticeBox = component('notice-box', {
  props: { title: prop.text() },
  slots: { default: slot.required(), footer: slot() },
  template: ({ props, slots }) => el.section(el.h2(props.title), slots.default(), slots.footer()),
});
const StallSign = component('stall-sign', {
  props: {
    name: prop.text(),
    crates: prop.number().fallback(0),
    season: prop.choice(['early', 'late']).optional(),
  },
  template: ({ props }) => el.p(props.name, props.crates, props.season),
});
const NameList = component('name-list', {
  props: { names: prop.list(prop.text()).fallback([]) },
  slots: { row: slot.with(prop.text()) },
  template: ({ props, slots }) => el.ul(eachOf(props.names, (name) => el.li(slots.row(name)))),
});

/** The problems of a template text whose component has some of everything. */
function problemsOf(text: string, file: string): readonly Problem[] {
  const Part = component('broken-part', {
    props: {
      title: prop.text(),
      note: prop.text().optional(),
      crates: prop.number(),
      rare: prop.flag(),
      items: prop.list<string>(),
    },
    slots: { default: slot(), badge: slot(), row: slot.with<string>() },
    state: () => ({ count: 0, name: '' }),
    handlers: { add: ({ state }, step: number) => ({ count: state.count + step }) },
    helpers: { shout: (word: string) => word.toUpperCase(), price: (cents: number) => cents / 100 },
    uses: [NoticeBox, StallSign, NameList],
    template: { text, file },
  });
  return resolve(Part).problems.filter(({ source }) => source?.file === file);
}

test('there are 150 broken templates, and the table names each', () => {
  const files = readdirSync(folder).filter((name) => name.endsWith('.html'));
  expect(files.sort()).toEqual(Object.keys(expected).sort());
  expect(files.length).toBeGreaterThanOrEqual(150);
});

describe.each(Object.entries(expected))('%s', (file, places) => {
  const problems = problemsOf(readFileSync(folder + file, 'utf8'), file);

  test('has its problems found, each at its line and column', () => {
    expect(problems.map(({ code, source }) => `${code} ${source?.line}:${source?.column}`)).toEqual(places);
  });

  test('is reported in sentences that name a fix, with the lines around', () => {
    for (const { message, hint, source } of problems) {
      expect(message).toMatch(/^["<A-Z</&(a-z].*\.$/s);
      expect(hint).toMatch(/^[A-Za-z<"].*[.?]$/s);
      expect(`${message} ${hint}`).not.toMatch(/undefined|\[object|function \(|[\uFDD0-\uFDEF]/);
      expect(source?.frame).toMatch(/ │ .*\n *│ *\^$/);
    }
  });
});
