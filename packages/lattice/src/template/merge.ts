type Attributes = Readonly<Record<string, unknown>>;

/**
 * Merges attributes: those written later win, save that classes stand together, styles are merged by property and
 * listeners by event. A later `null` takes an attribute away; `docs/presets.md` has the table.
 */
export function mergeAttributes(first: Attributes, later: Attributes): Attributes {
  const merged: Record<string | symbol, unknown> = { ...first };
  for (const key of Reflect.ownKeys(later)) {
    const name = key as string;
    merged[name] = mergeOne(name, first[name], later[name]);
  }
  return merged;
}

function mergeOne(name: string, before: unknown, after: unknown): unknown {
  if (before === undefined || after === null) return after;
  if (after === undefined) return before;
  if (name === 'class') return [before, after];
  if ((name === 'style' || name === 'on') && isPlain(before) && isPlain(after))
    return { ...before, ...after };
  return after;
}

function isPlain(value: unknown): value is Attributes {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}
