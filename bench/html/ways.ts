import { BytePieces, type Scenario } from './scenario.js';

const sent = (text: string): number => Buffer.from(text).length;

/** The ways in which a scenario is written, by name; each gives how many bytes it comes to. */
export function waysOf(one: Scenario): Readonly<Record<string, () => number>> {
  const { bytes, careful, carefulBytes, plain } = one;
  return {
    text: () => sent(one.ours()),
    ...(bytes && { bytes: () => bytes().length }),
    ...(plain && { plain: () => sent(plain()) }),
    ...(careful && { careful: () => sent(careful()) }),
    ...(bytes &&
      carefulBytes && {
        carefulBytes: () => {
          const to = new BytePieces();
          carefulBytes(to);
          return to.length;
        },
      }),
  };
}

/** Renders all scenarios a few times, as a server has that renders many pages. */
export function makeBusy(scenarios: readonly Scenario[]): void {
  for (const one of scenarios) {
    for (let n = 0; n < 30; n++) {
      one.ours();
      one.bytes?.();
      one.plain?.();
      one.careful?.();
    }
  }
}
