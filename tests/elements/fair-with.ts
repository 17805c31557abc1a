import { FairPage } from '../../examples/orchard/fair-page.js';
import data from '../../examples/orchard/open-day.json' with { type: 'json' };

type FairProps = Parameters<typeof FairPage>[0];

/** A use of the orchard page, with values that a template reads. */
export function fairWith(values: object): ReturnType<typeof FairPage> {
  const read = values as Record<string, unknown>;
  return FairPage(
    Object.fromEntries(Object.keys(data).map((name) => [name, read[name]])) as unknown as FairProps,
  );
}
