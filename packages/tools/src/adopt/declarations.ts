/** A declaration of a style attribute. */
export interface Declaration {
  readonly name: string;
  /** What stands before the value: what separates it from the one before, and its name. */
  readonly before: string;
  readonly value: string;
}

/** The declarations of a style attribute (https://drafts.csswg.org/css-style-attr/#syntax); signs in quotes and brackets are of the value. */
export function declarationsIn(text: string): readonly Declaration[] {
  const parts = text.match(/(?:"[^"]*"|'[^']*'|\([^)]*\)|[^;"'(])+/g) ?? [];
  return parts.flatMap((part, index) => {
    const found = /^(\s*)([-\w]+)(\s*:\s*)([\s\S]*)$/.exec(part);
    if (!found) return [];
    const [, lead = '', name = '', colon = '', value = ''] = found;
    return [{ name, before: `${index === 0 ? '' : ';'}${lead}${name}${colon}`, value: value.trimEnd() }];
  });
}
