import { describe, expect, test } from 'vitest';
import { component, el, resolve } from 'zesty-lattice';
import { onlyProblem } from '../support/problems.js';

const named = (name: string) => onlyProblem(() => component(name, { template: () => el.p('x') }));

describe('a component’s name', () => {
  test.each([
    ['variety', 'it has no hyphen', 'my-variety'],
    ['VarietyCard', 'it has upper-case letters', 'variety-card'],
    ['font-face', 'the HTML standard reserves it', 'my-font-face'],
    ['annotation-xml', 'the HTML standard reserves it', 'my-annotation-xml'],
    ['variety card-x', 'a character that a tag name may not have', 'variety-card-x'],
    ['3-sorts', 'starts with no letter', 'my-sorts'],
    ['', 'it is empty', 'my-part'],
  ])('cannot be %j: %s', (name, why, better) => {
    const { code, words, source } = named(name);
    expect(code).toBe('name-invalid');
    expect(words).toContain(why);
    expect(words).toContain(`"${better}"`);
    expect(source?.file).toMatch(/names\.test\.ts$/);
  });

  test.each(['variety-card', 'a-', 'x-é', 'stall-2.b_c', 'emotion-😀'])('can be %j', (name) => {
    expect(component(name, { template: () => el.p('x') }).name).toBe(name);
  });

  test('that two components share is reported, with where the other one is', () => {
    const [one, two] = ['one', 'two'].map((text) => component('same-name', { template: () => el.p(text) }));
    const Page = component('same-page', { template: () => [one?.({}), two?.({})] });
    const [problem] = resolve(Page).problems;
    expect(problem).toMatchObject({ code: 'name-taken', where: 'same-page › same-name[2]' });
    expect(problem?.message).toContain('names.test.ts');
  });
});
