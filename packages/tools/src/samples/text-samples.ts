import { isDocument, Places, readFragment } from 'zesty-lattice/internal/markup';
import type { SourcePlace } from 'zesty-lattice/internal/problem';

/** A use of a component that somebody wrote to be looked at, as HTML text. */
export interface TextSample {
  readonly name: string;
  /** What is written. */
  readonly text: string;
  /** The whole file with everything else made blank, so that places in it are those of the file. */
  readonly alone: string;
  readonly source: SourcePlace;
}

/** Whether a file has samples, by its name. */
export function isSampleFile(file: string): boolean {
  return /\.sample\.(html|[cm]?[jt]s)$/.test(file);
}

/**
 * The samples in a file of HTML text. A comment at the top names the sample that follows it, up to the next; a file
 * without any is one sample.
 *
 * @example textSamples('<!-- Ripe --><price-tag crates="3"></price-tag>', 'price-tag.sample.html')[0].name // 'Ripe'
 */
export function textSamples(text: string, file: string): readonly TextSample[] {
  const places = new Places(text, file);
  // A page is looked at as a whole: the comments in it name nothing.
  if (isDocument(text)) return [{ name: 'Page', text, alone: text, source: places.at(0) }];
  const names = readFragment(text).childNodes.flatMap((node) => {
    const at = node.nodeName === '#comment' && 'data' in node ? node.sourceCodeLocation : undefined;
    return at && 'data' in node ? [{ name: node.data.trim().replace(/\s+/g, ' '), at }] : [];
  });
  const starts = [{ name: 'Sample', at: { startOffset: 0, endOffset: 0 } }, ...names];
  const taken = new Map<string, number>();
  return starts.flatMap(({ name, at }, index) => {
    const end = starts[index + 1]?.at.startOffset ?? text.length;
    const written = text.slice(at.endOffset, end);
    if (written.trim() === '') return [];
    const known = (taken.get(name) ?? 0) + 1;
    taken.set(name, known);
    const blank = (part: string): string => part.replace(/[^\n]/g, ' ');
    return [
      {
        name: known === 1 ? name : `${name} (${known})`,
        text: written.trim(),
        alone: blank(text.slice(0, at.endOffset)) + written + blank(text.slice(end)),
        source: places.at(at.endOffset + written.search(/\S/)),
      },
    ];
  });
}
