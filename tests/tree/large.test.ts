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

const timed = <T>(work: () => T): { result: T; ms: number } => {
  const begin = performance.now();
  const result = work();
  return { result, ms: performance.now() - begin };
};

describe('components that may hold one another', () => {
  test('are resolved: 100 that all may hold all others, in a moment', () => {
    const [first] = blocks(100);
    const { result, ms } = timed(() => resolve(first as AnyComponent, undefined as never));
    expect(ms).toBeLessThan(10_000);
    expect(result.problems.map(({ code }) => code)).toEqual(['tree-cut']);
    expect(result.problems[0]?.severity).toBe('warning');
    const names = new Set([...result.walk()].map((use) => use.component));
    expect(names.size).toBe(100);
    console.log(`100 components that all may hold all others: ${Math.round(ms)} ms`);
  });

  test('are rendered, and become elements, without being written out for all that could be', () => {
    const [first] = blocks(12);
    expect(renderHtml((first as unknown as (props: object) => Use)({ depth: 1, which: 0 }))).toBe(
      '<div>1</div>',
    );
    const [live] = blocks(40, true);
    const core = componentCore(live);
    if (!core) throw new Error('no component');
    const { ms } = timed(() => compileComponent(core, () => 1));
    expect(ms).toBeLessThan(10_000);
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
    const { ms } = timed(() => resolve(Inner, undefined as never));
    expect(ms).toBeLessThan(10_000);
    const Live = component('double-live', {
      state: () => ({ a: 1 }),
      template: ({ state }) => [el.p(state.a), (Inner as unknown as () => Use)()],
    });
    const core = componentCore(Live);
    if (!core) throw new Error('no component');
    expect(timed(() => compileComponent(core, () => 1)).ms).toBeLessThan(10_000);
    expect(renderHtml(Live, {}, { form: 'elements' })).toContain('<p>');
    expect(renderHtml(Live)).toContain('<u>');
  });
});
