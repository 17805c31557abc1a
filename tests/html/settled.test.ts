import { expect, test, vi } from 'vitest';
import { calc, component, el, prop } from 'zesty-lattice';
import { renderHtml } from 'zesty-lattice/html';

let crates = 3;
const signOf = (name: string) =>
  component(name, {
    props: { name: prop.text() },
    template: ({ props }) =>
      el.p(
        props.name,
        calc('a', (a) => a + crates),
        calc(() => crates),
        calc({ b: 1 }, ({ b }) => ({ b })).b,
      ),
  });

test('a calculation of constants that comes to something else later is reported once, with its line', () => {
  const told = vi.spyOn(console, 'error').mockImplementation(() => {});
  crates = 3;
  const Sign = signOf('settled-sign');
  for (let rendering = 0; rendering < 40; rendering++) {
    expect(renderHtml(Sign({ name: 'East ' }))).toBe(`<p>East a3${crates}1</p>`);
    crates++;
  }
  const said = told.mock.calls.map(([text]) => String(text));
  told.mockRestore();
  expect(said).toHaveLength(1);
  expect(said[0]).toMatch(
    /constant-changed: A calculation of constants gave the text "a3", and now gives the text "a\d+"[\s\S]*settled-sign[\s\S]*settled\.test\.ts:12/,
  );
});

test('where problems are asked for, it is among them', () => {
  crates = 3;
  const Sign = signOf('settled-other');
  const problems: string[] = [];
  for (let rendering = 0; rendering < 100; rendering++) {
    renderHtml(Sign, { name: 'East ' }, { onProblem: ({ code, where }) => problems.push(code, where) });
    crates++;
  }
  expect(problems).toEqual(['constant-changed', 'settled-other']);
});
