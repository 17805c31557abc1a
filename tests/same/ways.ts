import type { AnyComponent } from 'zesty-lattice';
import type { RenderOptions } from 'zesty-lattice/html';
import { codeAhead, componentCore, provideCode } from './internals.js';

/** How HTML text is written: by the interpreter, as code made inline, as code that was written ahead. */
export const ways = ['instructions', 'code', 'ahead'] as const;

/**
 * Writes in each way, and gives what each wrote. What a component needs is written ahead first.
 *
 * @param write is given the options of a rendering that is written in that way
 */
export function inEachWay<T>(
  made: AnyComponent,
  write: (by: RenderOptions) => T,
): readonly (readonly [string, T])[] {
  const component = componentCore(made);
  if (component) {
    const entries = codeAhead([component]);
    provideCode(new Function(`return {${entries.join(',\n')}};`)() as Parameters<typeof provideCode>[0]);
  }
  // An option for the library's own tools alone.
  return ways.map((how) => [how, write({ how } as RenderOptions)] as const);
}
