// Stands for is-dev.ts in Node's bundle: there are runtimes with Node's modules in which reading the environment throws
// unless it was allowed.
export const isDev: boolean = asked();

function asked(): boolean {
  try {
    return process.env.NODE_ENV !== 'production';
  } catch {
    return true;
  }
}

declare const process: { readonly env: Readonly<Record<string, string | undefined>> };
