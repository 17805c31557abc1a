import { bundle, type Entry, type Sizes } from './bundle.js';

/** What each part of a module weighs. */
export interface PackSizes {
  /** Each component for itself: what a page loads that has nothing else. */
  readonly alone: readonly { readonly name: string; readonly sizes: Sizes }[];
  /** What those have in common, which is loaded once: how much less all together are than one by one. */
  readonly shared: Sizes;
  readonly all: Sizes;
}

/** Measures each component for itself, and what they share. */
export async function measured(file: string, entries: readonly Entry[], all: Sizes): Promise<PackSizes> {
  const alone: { name: string; sizes: Sizes }[] = [];
  for (const entry of entries) {
    const { sizes } = entries.length === 1 ? { sizes: all } : await bundle(file, [entry]);
    alone.push({ name: entry.core.name, sizes });
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
