import { existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { PNG } from 'pngjs';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { isLong } from '../support/runs.js';
import { lattice, latticeProcess, root } from './lattice.js';

const folder = mkdtempSync(join(root, 'tests/cli/shots-'));
afterAll(() => rmSync(folder, { recursive: true }));

const file = (name: string): string => join(folder, name);
const shots = (...more: string[]): ReturnType<typeof lattice> =>
  lattice('preview', file('parts'), '--widths', '360', '--schemes', 'light', ...more);
const picture = (name: string): PNG => PNG.sync.read(readFileSync(file(name)));
const pixel = ({ data, width }: PNG, x: number, y: number): number[] => [
  ...data.subarray((y * width + x) * 4, (y * width + x) * 4 + 3),
];

const sign = (color: string): string => `import { component, el, prop } from 'zesty-lattice';
export const CrateSign = component('crate-sign', {
  props: { count: prop.number() },
  state: ({ count }) => ({ left: count }),
  handlers: { take: ({ state }) => ({ left: state.left - 1 }) },
  styles: 'button { width: 100px; height: 60px; border: 0; padding: 0; background: ${color} }',
  template: ({ state, handlers }) => el.button({ type: 'button', on: { click: handlers.take() } }, state.left),
});
`;
const samples = `<!-- Full -->
<crate-sign count="12"></crate-sign>
<!-- With a box -->
<div style="height: 120px"><crate-sign count="1"></crate-sign><img src="/../../../package.json" alt="none"><img src="http://elsewhere.test/x.png" alt="none"></div>
`;

describe('lattice preview --shot', () => {
  beforeAll(() => {
    writeInto('parts', 'crate-sign.ts', sign('rgb(200, 80, 0)'));
    writeInto('parts', 'crate-sign.sample.html', samples);
    writeInto(
      'parts',
      'crate-sign.sample.ts',
      "import { CrateSign } from './crate-sign.js';\nexport const noneLeft = CrateSign({ count: 0 });\n",
    );
  });

  test('takes a picture of each sample, of what is live as it is at first', () => {
    const { code, out } = shots('--shot', file('one'));
    expect(out).toMatch(/^3 pictures of 3 samples in .*one, [\d.]+ s\n$/);
    expect(code).toBe(0);
    const full = picture('one/crate-sign/full.360-light.png');
    expect(full.width).toBe(360);
    expect(pixel(full, 20, 20)).toEqual([200, 80, 0]);
    expect(pixel(full, 300, 20)).toEqual([255, 255, 255]);
    expect(existsSync(file('one/crate-sign/none-left.360-light.png'))).toBe(true);
    expect(picture('one/crate-sign/with-a-box.360-light.png').height).toBeGreaterThan(full.height);
  });

  test.runIf(isLong)('tells those that differ from before, each in its way, and draws the difference', () => {
    const same = shots('--shot', file('two'), '--compare', file('one'));
    expect(same.out).toContain('None differs from before.');
    expect(same.code).toBe(0);
    rmSync(file('one/crate-sign/none-left.360-light.png'));
    writeFileSync(
      file('one/crate-sign/gone.360-light.png'),
      readFileSync(file('two/crate-sign/full.360-light.png')),
    );
    mkdirSync(file('one/other-sign'));
    writeFileSync(
      file('one/other-sign/full.360-light.png'),
      readFileSync(file('two/crate-sign/full.360-light.png')),
    );
    writeInto('parts', 'crate-sign.ts', sign('rgb(0, 120, 60)'));
    writeInto('parts', 'crate-sign.sample.html', samples.replace('120px', '150px'));
    // A module is read once in a process: what changed is read by another.
    const { code, out } = latticeProcess(
      'preview',
      file('parts'),
      '--widths',
      '360',
      '--schemes',
      'light',
      '--shot',
      file('three'),
      '--compare',
      file('one'),
    );
    expect(code).toBe(1);
    expect(out).toMatch(/full\.360-light\.png.* \d{4} pixels differ/);
    expect(out).toMatch(/with-a-box\.360-light\.png.* another size/);
    expect(out).toMatch(/none-left\.360-light\.png.* new/);
    expect(out).toMatch(/gone\.360-light\.png.* gone/);
    // Of another component, none of whose pictures was taken: told, and not counted.
    expect(out).toMatch(/other-sign\/full\.360-light\.png.* not taken now/);
    expect(out).toContain('4 differ from before.');
    expect(picture('three/differences/crate-sign/full.360-light.png').width).toBe(360);
  });

  test('says what is wrong, and how to call it', () => {
    writeInto('wrong', 'crate-sign.ts', sign('red'));
    writeInto('wrong', 'crate-sign.sample.html', '<crate-sign count="many"></crate-sign>');
    const wrong = lattice('preview', file('wrong'), '--shot', file('four'));
    expect(wrong.code).toBe(1);
    expect(wrong.err + wrong.out).toContain('prop-invalid');
    expect(wrong.out).toContain('0 pictures of 0 samples');
    for (const [words, ...args] of [
      ['--compare needs --shot', 'x', '--compare', file('one')],
      ['another one', 'x', '--shot', file('one'), '--compare', file('one')],
      ['no folder', '.', '--shot', file('five'), '--compare', file('nowhere')],
      ['100 to 4000', '.', '--shot', file('five'), '--widths', '20'],
      ['light, dark', '.', '--shot', file('five'), '--schemes', 'grey'],
      ['no Chromium', file('parts'), '--shot', file('five'), '--browser', '/no/such'],
      ['no file or folder', file('nothing'), '--shot', file('five')],
    ]) {
      const { code, err } = lattice('preview', ...(args as string[]));
      expect(err).toContain(words as string);
      expect(code).toBe(2);
    }
  });
});

function writeInto(part: string, name: string, text: string): void {
  mkdirSync(file(part), { recursive: true });
  writeFileSync(file(join(part, name)), text);
}
