import { bundle, type Entry, type Packed, type Sizes, sizesAlone } from './bundle.js';

/** What each part of a module weighs. */
export interface PackSizes {
  /** Each component for itself: what a page loads that has nothing else. */
  readonly alone: readonly { readonly name: string; readonly sizes: Sizes }[];
  /** What those have in common, which is loaded once: how much less all together are than one by one. */
  readonly shared: Sizes;
  readonly all: Sizes;
}

/** Measures each component for itself, and what they share. */
export async function measured(file: string, entries: readonly Entry[], packed: Packed): Promise<PackSizes> {
  const { sizes: all } = packed;
  const alone: { name: string; sizes: Sizes }[] = [];
  for (const [at, entry] of entries.entries()) {
    const known = entries.length === 1 ? all : await sizesAlone(packed, at);
    alone.push({ name: entry.core.name, sizes: known ?? (await bundle(file, [entry])).sizes });
  }
  const of = (key: keyof Sizes): number =>
    Math.max(
      0,
      Math.round(
        (alone.reduce((sum, { sizes }) => sum + sizes[key], 0) - all[key]) / Math.max(1, alone.length - 1),
      ),
    );
  const shared =
    entries.length < 2
      ? { plain: 0, minified: 0, gzip: 0, brotli: 0 }
      : { plain: of('plain'), minified: of('minified'), gzip: of('gzip'), brotli: of('brotli') };
  return { alone, shared, all };
}
