/** A key as part of an id: letters, digits and `_` stay, all else is written by its code. */
export function idPart(key: unknown): string {
  return String(key).replace(/[^A-Za-z0-9_]/g, (char) => `.${char.codePointAt(0)?.toString(16) ?? ''}.`);
}
