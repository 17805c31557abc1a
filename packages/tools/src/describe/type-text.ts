import { type AnyKind, isKind } from 'zesty-lattice/internal/component';

/** The TypeScript type of a kind's values, so far as the kind knows it. */
export function typeText({ rules: { holds, holdsMore, word } }: AnyKind): string {
  switch (word) {
    case 'text':
    case 'url':
      return 'string';
    case 'number':
      return 'number';
    case 'flag':
      return 'boolean';
    case 'date':
      return 'Date';
    case 'choice':
    case 'tag':
      return (holds as readonly string[]).map((one) => JSON.stringify(one)).join(' | ');
    case 'list':
      return isKind(holds) ? `readonly ${inBrackets(typeText(holds))}[]` : 'readonly unknown[]';
    case 'record':
      return holdsMore ? `${recordText(holds)} & { readonly [field: string]: unknown }` : recordText(holds);
    case 'function':
      return '(...args: never[]) => unknown';
    case 'any':
    case 'schema':
      return 'unknown';
  }
}

const inBrackets = (type: string): string => (type.includes(' | ') ? `(${type})` : type);

function recordText(holds: unknown): string {
  if (typeof holds !== 'object' || holds === null) return 'Readonly<Record<string, unknown>>';
  const fields = Object.entries(holds as Record<string, AnyKind>).map(([name, kind]) => {
    const key = /^[A-Za-z_$][\w$]*$/.test(name) ? name : JSON.stringify(name);
    return `readonly ${key}${kind.settings.presence === 'required' ? '' : '?'}: ${typeText(kind)}`;
  });
  return `{ ${fields.join('; ')} }`;
}
