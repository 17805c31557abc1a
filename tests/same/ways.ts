import type { AnyComponent } from 'zesty-lattice';
import { codeAhead, componentCore, making, provideCode } from './internals.js';

/** How HTML text is written: by instructions, as code made on the spot, as code that was written ahead. */
export const ways = ['instructions', 'code', 'ahead'] as const;

making.watched = new Set();

/** Lets go of all that was rendered, which is started anew for each way otherwise. */
export function letGo(): void {
  making.watched = new Set();
}

/** Writes in each way, and gives what each wrote. What a component needs is written ahead first. */
export function inEachWay<T>(made: AnyComponent, write: () => T): readonly (readonly [string, T])[] {
  const component = componentCore(made);
  if (component) {
    const entries = codeAhead([component]);
    provideCode(new Function(`return {${entries.join(',\n')}};`)() as Parameters<typeof provideCode>[0]);
  }
  try {
    return ways.map((way) => {
      change(way, way !== 'instructions');
      return [way, write()] as const;
    });
  } finally {
    change('usual', true);
  }
}

function change(how: (typeof making)['how'], isQuick: boolean): void {
  making.how = how;
  making.isQuick = isQuick;
  for (const routine of making.watched ?? []) routine.start();
}
