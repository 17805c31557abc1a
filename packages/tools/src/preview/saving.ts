import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { textSamples } from '../samples/index.js';

/** Why a sample was not saved, to be shown. */
export class NotSaved extends Error {}

/**
 * Writes a sample into the file of samples beside a component's module: at its end, or in the place of the one that has
 * its name, if that is meant.
 *
 * @param module the module's path
 * @throws NotSaved for a name that a comment cannot hold, or that is taken
 * @example saveSample('components/price-tag.ts', 'By the crate', '<price-tag cents="1850"></price-tag>')
 */
export function saveSample(
  module: string,
  name: string,
  text: string,
  { replace = false }: { readonly replace?: boolean } = {},
): { readonly file: string } {
  const label = name.trim().replace(/\s+/g, ' ');
  if (label === '') throw new NotSaved('Give the sample a name.');
  // What would end the comment that names it, or begin as one that a parser ends at once (https://html.spec.whatwg.org/#comments).
  if (/--|^-?>|<!-|-$/.test(label))
    throw new NotSaved('A name is written in a comment: leave out "--" and ">".');
  const file = module.replace(/\.[cm]?[jt]sx?$/, '.sample.html');
  const before = existsSync(file) ? readFileSync(file, 'utf8') : '';
  const known = before === '' ? [] : textSamples(before, file);
  const taken = known.find((one) => one.name === label);
  if (taken && !replace)
    throw new NotSaved(`There is a sample "${label}" already. Give it another name, or replace it.`);
  if (taken) {
    const at = taken.alone.search(/\S/);
    writeFileSync(file, before.slice(0, at) + text + before.slice(at + taken.text.length));
  } else {
    const unnamed =
      known.length === 1 && known[0]?.name === 'Sample' ? `<!-- Sample -->\n${before.trimStart()}` : before;
    const gap = unnamed === '' ? '' : `${unnamed.trimEnd()}\n\n`;
    writeFileSync(file, `${gap}<!-- ${label} -->\n${text}\n`);
  }
  return { file };
}
