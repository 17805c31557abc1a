import { Places } from 'zesty-lattice/internal/markup';
import { finding, nearest, type Problem, placed, words } from 'zesty-lattice/internal/problem';

/** A comment that lets one problem stand, with the reason. */
interface Allowance {
  readonly code: string;
  readonly reason: string;
  /** Where the comment begins, and the lines that it speaks of. */
  readonly at: number;
  readonly from: number;
  readonly to: number;
}

const comment =
  /(?:<!--|\/\/|\/\*)[ \t]*lattice-allow[ \t]+([\w-]+)[ \t]*(:?)[ \t]*(.*?)[ \t]*(?:-->|\*\/|$)/gm;

/**
 * Problems without those that a comment beside them allows: `<!-- lattice-allow image-unnamed: drawn by the page -->` in
 * HTML text, `// lattice-allow prop-unread: read by the page` in a module, in the line before it or in its own.
 *
 * @param texts the files that were read, with what stands in them
 * @param isWhole whether all problems of these files are at hand, so that it shows which comment allows nothing
 */
export function withAllowances(
  problems: readonly Problem[],
  texts: Iterable<readonly [file: string, text: string]>,
  isWhole: boolean,
): readonly Problem[] {
  const left = new Set(problems);
  const own: Problem[] = [];
  for (const [file, text] of texts) {
    if (!text.includes('lattice-allow')) continue;
    const places = new Places(text, file);
    const ofFile = problems.filter(({ source }) => source?.file === file);
    for (const one of allowancesIn(text)) {
      const fault = faultOf(one);
      if (fault) {
        own.push(placed(finding('allowance-invalid', fault, places.at(one.at)), ''));
        continue;
      }
      const met = ofFile.filter(
        ({ code, source }) =>
          code === one.code && source !== undefined && source.line >= one.from && source.line <= one.to,
      );
      for (const problem of met) left.delete(problem);
      if (met.length === 0 && isWhole)
        own.push(placed(finding('allowance-unused', { code: one.code }, places.at(one.at)), ''));
    }
  }
  return [...problems.filter((one) => left.has(one)), ...own];
}

function allowancesIn(text: string): readonly Allowance[] {
  return [...text.matchAll(comment)].map((found) => {
    const [whole, code = '', colon = '', reason = ''] = found;
    const end = found.index + whole.length;
    // The next tag, as many lines as it has, or the next line that says something.
    const next =
      /^(?:[ \t]*(?:-->|\*\/))?(?:\s*(?:<!--[\s\S]*?-->|\/\/.*))*\s*(?:<[A-Za-z][^<>]*>?|.*)/u.exec(
        text.slice(end),
      );
    return {
      code,
      reason: colon === '' ? '' : reason,
      at: found.index,
      from: lineAt(text, found.index),
      to: lineAt(text, end + (next?.[0].length ?? 0)),
    };
  });
}

const lineAt = (text: string, offset: number): number => text.slice(0, offset).split('\n').length;

function faultOf({ code, reason }: Allowance): { readonly fault: string; readonly hint: string } | undefined {
  if (!Object.hasOwn(words, code)) {
    const near = nearest(code, Object.keys(words));
    return {
      fault: `There is no problem "${code}" to allow`,
      hint: near === undefined ? 'docs/problems.md has all codes.' : `Did you mean "${near}"?`,
    };
  }
  if (reason === '')
    return {
      fault: `It is not said why ${code} is allowed here`,
      hint: `Write the reason behind a colon: lattice-allow ${code}: ….`,
    };
  return undefined;
}
