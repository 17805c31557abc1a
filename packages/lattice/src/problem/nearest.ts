/** Edits (insert, remove, replace, swap neighbours) that turn `a` into `b`. */
function distance(a: string, b: string): number {
  let before: number[] = [];
  let last = Array.from({ length: b.length + 1 }, (_, column) => column);
  for (let row = 1; row <= a.length; row++) {
    const line = [row];
    for (let column = 1; column <= b.length; column++) {
      const same = a[row - 1] === b[column - 1];
      let least = Math.min(
        (last[column] ?? 0) + 1,
        (line[column - 1] ?? 0) + 1,
        (last[column - 1] ?? 0) + (same ? 0 : 1),
      );
      if (row > 1 && column > 1 && a[row - 1] === b[column - 2] && a[row - 2] === b[column - 1]) {
        least = Math.min(least, (before[column - 2] ?? 0) + 1);
      }
      line.push(least);
    }
    before = last;
    last = line;
  }
  return last[b.length] ?? 0;
}

/**
 * The known word nearest to one that is unknown, or undefined when none is near: a word counts as near
 * within a third of its length, at least one edit.
 */
export function nearest(word: string, known: Iterable<string>): string | undefined {
  let best: string | undefined;
  let least = Number.POSITIVE_INFINITY;
  const plain = word.toLowerCase();
  for (const candidate of known) {
    const edits = distance(plain, candidate.toLowerCase());
    if (edits < least && edits <= Math.max(1, Math.floor(Math.max(word.length, candidate.length) / 3))) {
      least = edits;
      best = candidate;
    }
  }
  return best;
}

/** "Did you mean …?" where a near word is known, else what to do instead. `spell` spells the near word, quoted unless given. */
export function nearestOr(
  word: string,
  known: Iterable<string>,
  otherwise: string,
  spell = (near: string): string => `"${near}"`,
): string {
  const near = nearest(word, known);
  return near === undefined ? otherwise : `Did you mean ${spell(near)}?`;
}

/** A tag as a hint spells it. */
export function tagName(tag: string): string {
  return `<${tag}>`;
}

/** "Did you mean …?" where a near word is known, else the list of all of them, else nothing. */
export function suggest(word: string, known: readonly string[], what: string): string {
  const near = nearest(word, known);
  if (near !== undefined) return `Did you mean "${near}"?`;
  if (known.length === 0) return `It has no ${what}s.`;
  return `Its ${what}s are: ${known.join(', ')}.`;
}
