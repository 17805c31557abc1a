import { describe, expect, test } from 'vitest';
import { component, eachOf, el, LatticeError, prop } from 'zesty-lattice';
import { type RenderOptions, renderHtml, renderHtmlAsync, streamHtml } from 'zesty-lattice/html';

const GroveLog = component('grove-log', {
  props: { entry: prop.record(), names: prop.list().fallback([]) },
  state: () => ({ crates: 3 }),
  template: ({ state }) => el.p(state.crates),
});
const GrovePage = component('grove-page', {
  props: { entry: prop.record(), names: prop.list().fallback([]) },
  template: ({ props }) => el.main(GroveLog({ entry: props.entry, names: props.names })),
});
const GroveData = component('grove-data', {
  props: { entry: prop.record() },
  template: ({ props }) =>
    el.div(el.script({ type: 'application/json', json: props.entry }), el.p('What stands beside.')),
});
const GroveRows = component('grove-rows', {
  props: { entries: prop.list<Record<string, unknown>>() },
  template: ({ props }) => el.main(eachOf(props.entries, (entry) => GroveLog({ entry }))),
});

const ring: Record<string, unknown> = { name: 'North grove' };
ring.trees = [{ kind: 'Sunlit', grove: ring }];
const counted = { crates: { picked: 9n } };
const silent = {
  toJSON() {
    throw new Error('nothing to say');
  },
};
const deep: Record<string, unknown> = {};
for (let at = deep, level = 0; level < 100_000; level++) at = at.in = {} as Record<string, unknown>;

const cases = [
  ['a record that holds itself', ring, 'holds itself in "trees.0.grove", which JSON cannot say'],
  ['a BigInt', counted, 'has a BigInt in "crates.picked", which JSON has not'],
  ['a toJSON that throws', silent, 'stopped with an error: nothing to say'],
  ['too deep a record', deep, 'is nested deeper than JSON can be written'],
] as const;

const asElements: RenderOptions = { form: 'elements' };

function reported(run: () => unknown): string[] {
  try {
    run();
  } catch (thrown) {
    if (!(thrown instanceof LatticeError)) throw thrown;
    return thrown.problems.map((problem) => `${problem.code} ${problem.where}: ${problem.message}`);
  }
  return [];
}

describe.each(cases)('%s', (_name, entry, fault) => {
  test('is reported with the prop whose attribute it would be', () => {
    const [said = '', ...more] = reported(() => renderHtml(GrovePage, { entry }, asElements));
    expect(said).toContain('value-not-json grove-page');
    expect(said).toContain(`The prop "entry" of grove-log ${fault}`);
    expect(more).toEqual([]);
  });

  test('is reported inline, as itself and in rows, for each row by itself', () => {
    expect(reported(() => renderHtml(GroveLog({ entry }), asElements))).toHaveLength(1);
    const fine = { name: 'South grove' };
    const said = reported(() => renderHtml(GroveRows, { entries: [fine, entry, fine, entry] }, asElements));
    expect(said).toHaveLength(2);
    expect(said[0]).toContain(fault);
  });

  test('is reported for a data block, in both forms', () => {
    for (const options of [{}, asElements]) {
      const [said = '', ...more] = reported(() => renderHtml(GroveData, { entry }, options));
      expect(said).toContain('value-not-json grove-data');
      expect(said).toContain(fault);
      expect(more).toEqual([]);
    }
  });

  test('is reported of what is written in time and in pieces', async () => {
    await expect(renderHtmlAsync(GroveData, { entry })).rejects.toThrow(fault);
    await expect(new Response(streamHtml(GroveData, { entry })).text()).rejects.toThrow(fault);
  });

  test('is reported for a value that the template itself holds', () => {
    const Fixed = component('fixed-data', {
      template: () => el.script({ type: 'application/json', json: entry }),
    });
    const Holder = component('fixed-page', { template: () => el.main(GroveLog({ entry })) });
    // A template that is too deep to be planned is reported before that.
    const words = entry === deep ? 'is nested' : fault;
    expect(reported(() => renderHtml(Fixed))).toEqual([expect.stringContaining(words)]);
    expect(reported(() => renderHtml(Holder, {}, asElements))).toEqual([expect.stringContaining(words)]);
  });
});

test('the same record twice is no circle, and a date says itself', () => {
  const place = { name: 'gate' };
  const entry = { from: place, to: place, on: new Date('2026-05-02T08:00:00Z') };
  expect(renderHtml(GroveData, { entry })).toContain(
    '{"from":{"name":"gate"},"to":{"name":"gate"},"on":"2026-05-02T08:00:00.000Z"}',
  );
});

test('where no JSON is written nothing is reported', () => {
  expect(renderHtml(GrovePage, { entry: ring })).toBe('<main><p>3</p></main>');
});
