declare const process: { readonly env?: Readonly<Record<string, string | undefined>> } | undefined;

/** Whether help that costs time is given: places of reads and uses are remembered. Off in production. */
export const dev: boolean = typeof process === 'undefined' || process?.env?.NODE_ENV !== 'production';

/** Whether problems come without their words, to save what they weigh: only in bundles for production. */
export const terse: boolean = false;
