import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import pixelmatch from 'pixelmatch';
import { PNG } from 'pngjs';
import { glob } from 'tinyglobby';

/** A picture that is not what it was. */
export interface Difference {
  readonly file: string;
  /** How many pixels differ; none where the sizes do. */
  readonly pixels?: number;
  /** `new` and `gone` have no picture on the other side; `untaken` is of a folder of which none was taken now. */
  readonly kind: 'changed' | 'resized' | 'new' | 'gone' | 'untaken';
  /** Where the difference is drawn. */
  readonly drawn?: string;
}

/** Where pictures of differences go, in the folder of the pictures. */
const drawnIn = 'differences';

/**
 * Holds pictures against those of before.
 *
 * @param folder where the new ones are; what differs is drawn in `differences` in it
 * @param before where those of before are
 */
export async function compare(
  files: readonly string[],
  folder: string,
  before: string,
): Promise<readonly Difference[]> {
  const differences: Difference[] = [];
  for (const file of files) {
    const old = join(before, file);
    if (!existsSync(old)) {
      differences.push({ file, kind: 'new' });
      continue;
    }
    const [one, other] = [PNG.sync.read(readFileSync(join(folder, file))), PNG.sync.read(readFileSync(old))];
    if (one.width !== other.width || one.height !== other.height) {
      differences.push({ file, kind: 'resized' });
      continue;
    }
    const drawing = new PNG({ width: one.width, height: one.height });
    const pixels = pixelmatch(one.data, other.data, drawing.data, one.width, one.height, { threshold: 0.1 });
    if (pixels === 0) continue;
    const drawn = join(folder, drawnIn, file);
    mkdirSync(dirname(drawn), { recursive: true });
    writeFileSync(drawn, PNG.sync.write(drawing));
    differences.push({ file, kind: 'changed', pixels, drawn });
  }
  const known = new Set(files);
  // Whether such a component is gone, or was not asked for, is not known here.
  const groups = new Set(files.map((file) => dirname(file)));
  const all = await glob('**/*.png', { cwd: before, ignore: [`${drawnIn}/**`] });
  for (const file of all.sort())
    if (!known.has(file)) differences.push({ file, kind: groups.has(dirname(file)) ? 'gone' : 'untaken' });
  return differences;
}
