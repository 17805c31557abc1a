import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, onTestFinished, test } from 'vitest';
import { component, el, prop } from 'zesty-lattice';
import { renderHtml } from 'zesty-lattice/html';
import { check } from 'zesty-lattice-tools/check';
import { samplesOf } from 'zesty-lattice-tools/testing';
import { DialogBox } from '../../examples/orchard/components/dialog-box.js';
import { PriceTag } from '../../examples/orchard/components/price-tag.js';
import { TastingTable } from '../../examples/orchard/components/tasting-table.js';
import { VarietyCard } from '../../examples/orchard/components/variety-card.js';
import { textSamples } from '../../packages/tools/src/samples/index.js';
import { lattice, root } from '../cli/lattice.js';

describe('samples in a file of HTML text', () => {
  const names = (text: string): string[] => textSamples(text, 'x.sample.html').map(({ name }) => name);

  test('are named by the comment before them; without one there is one', () => {
    expect(names('<price-tag cents="1"></price-tag>\n')).toEqual(['Sample']);
    expect(names('<!-- Ripe --><b>1</b>\n<!-- Not\n  yet --><b>2</b>')).toEqual(['Ripe', 'Not yet']);
    expect(names('<b>0</b><!-- Ripe --><b>1</b><!-- Ripe --><b>2</b>')).toEqual([
      'Sample',
      'Ripe',
      'Ripe (2)',
    ]);
    expect(names('<!-- Ripe --> <!-- Late --><b>1</b>')).toEqual(['Late']);
    expect(names('<div><!-- inside --><b>1</b></div>')).toEqual(['Sample']);
    expect(names('')).toEqual([]);
  });

  test('stand where they do in their file', () => {
    const text = '<!-- A -->\n<b>1</b>\n<!-- B -->\n  <i>2</i>\n';
    const [, second] = textSamples(text, 'x.sample.html');
    expect(second).toMatchObject({ name: 'B', text: '<i>2</i>', source: { line: 4, column: 3 } });
    expect(second?.alone).toHaveLength(text.length);
    expect(second?.alone.split('\n')).toHaveLength(5);
    expect(second?.alone.indexOf('<i>2</i>')).toBe(text.indexOf('<i>2</i>'));
  });
});

describe('samplesOf', () => {
  test('renders each sample of a component', async () => {
    const samples = await samplesOf(PriceTag);
    expect(samples.map(({ name }) => name)).toEqual(['By the crate', 'By the kilo']);
    expect(samples.map(({ problems }) => problems)).toEqual([[], []]);
    expect(samples[1]?.html).toBe(renderHtml(PriceTag({ cents: 240, per: 'kilo' })));
    expect(samples[1]?.text).toBe('<price-tag cents="240" per="kilo"></price-tag>');
  });

  test('knows what stands in the component, and what it is given besides', async () => {
    const cards = await samplesOf(VarietyCard);
    expect(cards.map(({ name }) => name)).toEqual([
      'On the stall',
      'Rare, with its own badge and an action',
      'Sold out',
    ]);
    expect(cards.flatMap(({ problems }) => problems)).toEqual([]);
    expect(cards[1]?.html).not.toContain('<season-tag');
    expect((await samplesOf(DialogBox))[0]?.html).toContain('popover');
  });

  test('takes uses that a module exports', async () => {
    const samples = await samplesOf(TastingTable);
    expect(samples.map(({ name, problems }) => [name, problems])).toEqual([
      ['Two tastings', []],
      ['None yet', []],
    ]);
    expect(samples[0]?.html).toContain('<span class="free"');
  });

  test('has none where there is no file, and gives what is wrong in one', async () => {
    const folder = mkdtempSync(join(root, 'tests/samples/made-'));
    onTestFinished(() => rmSync(folder, { recursive: true }));
    writeFileSync(
      join(folder, 'crate-sign.ts'),
      "import { component, el, prop } from 'zesty-lattice';\nexport const CrateSign = component('crate-sign', { props: { count: prop.number() }, template: ({ props }) => el.b(props.count) });\n",
    );
    const { CrateSign } = (await import(join(folder, 'crate-sign.ts'))) as { CrateSign: typeof PriceTag };
    expect(await samplesOf(CrateSign)).toEqual([]);
    writeFileSync(
      join(folder, 'crate-sign.sample.html'),
      '<!-- Full -->\n<crate-sign count="2"></crate-sign>\n<!-- Wrong -->\n<crate-sign count="many"></crate-sign>\n',
    );
    const [full, wrong] = await samplesOf(CrateSign);
    expect(full?.html).toBe('<b>2</b>');
    expect(wrong?.problems).toMatchObject([{ code: 'prop-invalid', source: { line: 4 } }]);
    const { problems } = await check([folder]);
    expect(problems.map(({ code, source }) => [code, source?.line])).toContainEqual(['prop-invalid', 4]);
    expect(problems.map(({ code }) => code)).not.toContain('component-unused');
  });

  test('says so where lines are not remembered', async () => {
    const Bare = component('bare-sign', {
      props: { n: prop.number() },
      template: ({ props }) => el.b(props.n),
    });
    const core = Object.getOwnPropertyDescriptor(Bare, Symbol.for('zesty-lattice.component'))
      ?.value as object;
    Object.defineProperty(core, 'source', { value: undefined });
    await expect(samplesOf(Bare)).rejects.toMatchObject({ problems: [{ code: 'samples-unread' }] });
  });
});

test('lattice check reads the samples of the orchard, and finds nothing wrong', () => {
  const { out, code } = lattice('check', 'examples/orchard');
  expect(out).toMatch(/^0 errors, 0 warnings in \d+ files/m);
  expect(code).toBe(0);
});
