/** What all names in written code start with, so that they are none of its author's. */
export const own = '$lattice_';

/** Why a component's elements cannot be written as code: the page then plans them itself. */
export class NotWritten extends Error {}

/**
 * The code of a value that is plain data: anything else is its author's, and stands where that wrote it.
 *
 * @param known gives the code of a function, where its module has it
 */
export function constantCode(value: unknown, known?: (value: unknown) => string | undefined): string {
  if (value === undefined || value === null) return String(value);
  switch (typeof value) {
    case 'string':
      return quoted(value);
    case 'boolean':
      return String(value);
    case 'number':
      return Object.is(value, -0) ? '-0' : String(value);
    case 'bigint':
      return `${value}n`;
  }
  if (value instanceof Date) return `new Date(${value.getTime()})`;
  if (Array.isArray(value)) return `[${value.map((one) => constantCode(one, known)).join(', ')}]`;
  if (typeof value === 'function') {
    const code = known?.(value);
    if (code !== undefined) return code;
    throw new NotWritten(
      'a function in its template cannot be followed to where it is written; write it there as an arrow function, or name a function of the module',
    );
  }
  const prototype: unknown = Object.getPrototypeOf(value);
  if (typeof value !== 'object' || (prototype !== Object.prototype && prototype !== null))
    throw new NotWritten('a value in its template is no plain data');
  const fields = Object.entries(value).map(([key, one]) => `${keyCode(key)}: ${constantCode(one, known)}`);
  return `{ ${fields.join(', ')} }`;
}

/** A text in quotes: in those that it has fewer of. Whatever else has a meaning in them is escaped. */
function quoted(text: string): string {
  const json = JSON.stringify(text);
  if (!text.includes('"') || text.includes("'")) return json;
  return `'${json.slice(1, -1).replaceAll('\\"', '"')}'`;
}

export const isIdentifier = (name: string): boolean => /^[A-Za-z_$][\w$]*$/.test(name);

export function memberCode(name: string): string {
  return isIdentifier(name) ? name : `[${JSON.stringify(name)}]`;
}

/** How a member is reached behind what holds it: `.name`, or `["a name"]`. */
export function accessCode(name: string): string {
  return isIdentifier(name) ? `.${name}` : memberCode(name);
}

export function keyCode(name: string): string {
  return isIdentifier(name) && name !== '__proto__' ? name : `[${JSON.stringify(name)}]`;
}
