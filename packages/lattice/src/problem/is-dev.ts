declare const process: { readonly env?: Readonly<Record<string, string | undefined>> } | undefined;

/** In one expression, which a bundler that knows the mode reads as true or false. Node's bundle has is-dev-asked.ts in its place. */
export const isDev: boolean = typeof process === 'undefined' || process?.env?.NODE_ENV !== 'production';
