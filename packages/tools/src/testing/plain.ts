import type { AnyComponent, PropsFor, Use } from 'zesty-lattice/internal/component';
import {
  type LateOptions,
  pretty,
  renderHtml,
  renderHtmlAsync,
  withoutMarks,
} from 'zesty-lattice/internal/html';

type PropsArguments<Target> = Target extends AnyComponent
  ? undefined extends PropsFor<Target>
    ? [props?: PropsFor<Target>]
    : [props: PropsFor<Target>]
  : [];

/**
 * The HTML text of a use, or of a component and its props, without the marks by which rules find their elements: what a
 * test compares.
 *
 * @throws LatticeError as `renderHtml` does
 * @example expect(plainHtml(PriceTag, { cents: 1850 })).toBe('<data value="18.5">€ 18.50</data>')
 */
export function plainHtml<const Target extends Use | AnyComponent>(
  target: Target,
  ...given: PropsArguments<Target>
): string {
  return withoutMarks(
    (renderHtml as (target: unknown, ...given: readonly unknown[]) => string)(target, ...given),
  );
}

/**
 * The same, once the data of all components in it has been loaded.
 *
 * @param options how it is loaded, as for `renderHtmlAsync`: `{ loads: { timeOut: 500 } }`
 * @throws LatticeError as `renderHtmlAsync` does
 * @example expect(await plainHtmlAsync(GrovePage({ from }))).toContain('3 trees')
 */
export async function plainHtmlAsync(
  use: Use,
  options: Pick<LateOptions, 'loads' | 'signal'> = {},
): Promise<string> {
  return withoutMarks(await renderHtmlAsync(use, options));
}

/**
 * The same in lines, to be read: an element a line, two spaces deeper for what is in it. It is made for snapshots; white
 * space that a page shows may have changed.
 *
 * @throws LatticeError as `renderHtml` does
 * @example expect(readableHtml(VarietyCard({ title: 'Dunlight' }, el.p('Sharp.')))).toMatchSnapshot()
 */
export function readableHtml<const Target extends Use | AnyComponent>(
  target: Target,
  ...given: PropsArguments<Target>
): string {
  return pretty(plainHtml(target, ...given));
}
