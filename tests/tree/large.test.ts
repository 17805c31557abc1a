import { describe, expect, test } from 'vitest';
import { type AnyComponent, component, el, given, prop, resolve, slot, type Use } from 'zesty-lattice';
import { renderHtml } from 'zesty-lattice/html';
import { componentCore } from '../../packages/lattice/src/component/index.js';
import { compileComponent } from '../../packages/lattice/src/elements/compile/component.js';

/** Components that each may hold any of the others. */
function blocks(count: number, isLive = false): readonly AnyComponent[] {
  const all: AnyComponent[] = [];
  for (let n = 0; n < count; n++)
    all.push(
      component(`block-${isLive ? 'live' : 'plain'}${count}-${n}`, {
        props: { depth: prop.number(), which: prop.number() },
        slots: { default: slot() },
        ...(isLive && n === 0 && { state: () => ({ open: true }) }),
        template: ({ props, slots }) =>
          el.div(
            props.depth,
            slots.default(),
            all.map((Other, at) =>
              given(
                props.which as never,
                (Other as unknown as (props: object) => Use)({ depth: props.depth, which: at }),
              ),
            ),
          ),
      }) as AnyComponent,
    );
  return all;
}

// Without a limit these would not end: each is stopped by the test's own time-out then.
describe('components that may hold one another', () => {
  test('are resolved: 60 that all may hold all others', () => {
    const [first] = blocks(60);
    const result = resolve(first as AnyComponent, undefined as never);
    expect(result.problems.map(({ code }) => code)).toEqual(['tree-cut']);
    expect(result.problems[0]?.severity).toBe('warning');
    const names = new Set([...result.walk()].map((use) => use.component));
    expect(names.size).toBe(60);
  });

  test('are rendered, and become elements, without being written out for all that could be', () => {
    const [first] = blocks(12);
    expect(renderHtml((first as unknown as (props: object) => Use)({ depth: 1, which: 0 }))).toBe(
      '<div>1</div>',
    );
    const [live] = blocks(25, true);
    const core = componentCore(live);
    if (!core) throw new Error('no component');
    expect(compileComponent(core, () => 1)).toBeDefined();
    expect(
      renderHtml((live as unknown as (props: object) => Use)({ depth: 1, which: 0 }), {
        form: 'elements',
      } as never),
    ).toContain('<div>');
  });

  test('and those that hold two of the next, and so on', () => {
    let Inner: AnyComponent = component('double-0', { template: () => el.i('x') }) as AnyComponent;
    for (let n = 1; n <= 40; n++) {
      const Next = Inner as unknown as () => Use;
      Inner = component(`double-${n}`, {
        props: { flag: prop.flag() },
        template: ({ props }) => given(props.flag, [el.b(n), Next()], [el.u(n), Next()]),
      }) as AnyComponent;
    }
    expect(resolve(Inner, undefined as never).problems.map(({ code }) => code)).toEqual(['tree-cut']);
    const Live = component('double-live', {
      state: () => ({ a: 1 }),
      template: ({ state }) => [el.p(state.a), (Inner as unknown as () => Use)()],
    });
    const core = componentCore(Live);
    if (!core) throw new Error('no component');
    expect(compileComponent(core, () => 1)).toBeDefined();
    expect(renderHtml(Live, {}, { form: 'elements' })).toContain('<p>');
    expect(renderHtml(Live)).toContain('<u>');
  });
});
