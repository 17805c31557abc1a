import type { Problem } from 'zesty-lattice/internal/problem';
import type { ComponentFacts, Shown, Token } from '../../reading/facts.js';

export type Noted = Pick<Problem, 'code' | 'severity' | 'message' | 'hint'>;

export function noted(message: string, hint = '', code = ''): Noted {
  return { code: code as Noted['code'], severity: 'error', message, hint };
}

/** A problem as the library tells it on the console, or whatever else was said there. */
function saidThere(text: string): Noted {
  const [, severity, code, message = '', rest = ''] =
    /^(error|warning) ([a-z-]+): (.*)\n([\s\S]*)$/.exec(text) ?? [];
  if (severity === undefined) return noted(text);
  const hint = rest.replace(/^ {2}in .*\n/, '').trim();
  return { ...noted(message, hint, code), severity: severity === 'error' ? 'error' : 'warning' };
}

/**
 * What is wrong in the use and in the component, and what the stage said on its console, each once; not what stands at
 * its field.
 */
export function together(
  { faults, problems }: Shown,
  own: readonly Problem[],
  said: readonly string[],
): readonly Noted[] {
  const seen = new Set<string>();
  return [...problems, ...own, ...said.map(saidThere)].filter(({ code, message }) => {
    const isAtField =
      /^prop-(?:invalid|missing)$/.test(code) && Object.keys(faults).some((name) => message.includes(name));
    const isNew = !seen.has(message);
    seen.add(message);
    return isNew && !isAtField;
  });
}

export const asLines = (text: string): readonly (readonly Token[])[] =>
  text.split('\n').map((line) => [{ kind: 'text', text: line }]);

export function sizes({ bytes: { brotli, gzip, plain }, problems }: Shown): string {
  if (problems.some(({ severity }) => severity === 'error')) return 'none: something does not fit';
  return `${plain} bytes, ${gzip} with gzip, ${brotli} with brotli`;
}

export function listening(events: ComponentFacts['events']): string {
  return `None yet. It sends ${events.map(({ name }) => name).join(', ')}.`;
}
