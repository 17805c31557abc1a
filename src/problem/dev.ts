import { type ProblemCode, words } from './words.js';

export { writtenPlace } from './source-maps.js';

declare const process: { readonly env?: Readonly<Record<string, string | undefined>> } | undefined;

/** Whether help that costs time is given: places of reads and uses are remembered. Off in production. */
export const dev: boolean = typeof process === 'undefined' || process?.env?.NODE_ENV !== 'production';

/** How a problem is put: how grave it is, what is wrong, what to write instead. */
export type Wording = readonly [severity: 'error' | 'warning', message: string, hint: string];

/** The words of a problem, from its facts. */
export function wording(code: ProblemCode, facts: unknown): Wording {
  const { severity, say } = words[code] as {
    severity: 'error' | 'warning';
    say: (facts: unknown) => readonly [message: string, hint: string];
  };
  const [message, hint] = say(facts);
  return [severity, message, hint];
}
