import {
  type AnyComponent,
  type ComponentCore,
  componentCore,
  type EventKind,
  type EventsOf,
  type MethodsOf,
  type PropsOf,
  type SlotsOf,
} from '../component/index.js';
import { failure, LatticeError } from '../problem/index.js';
import type { Expr } from '../template/index.js';
import { notAComponent } from '../tree/index.js';
import { defineInPage, liveOf } from './in-page.js';
import { classOf } from './runtime/element.js';
import { lookOf, type SheetOptions } from './runtime/page-sheets.js';

/**
 * Defines components as custom elements of the page, and with each the interactive components in its template.
 * The same component twice is fine; where there is no page, as on a server, nothing is done.
 *
 * @param components the components; behind them, `{ sheets }` gives their shadow roots style sheets of the page's own, such
 * as a CSS framework's: addresses or `CSSStyleSheet`s. All roots share one object; link it in the page's head, too.
 * @throws LatticeError `name-taken` when another element has the name, `component-unknown`; all others are registered then
 * @example register(VarietyCard, CrateCounter); // <crate-counter label="Crates"></crate-counter>
 * @example register(VarietyCard, CrateCounter, { sheets: ['/framework.css'] });
 */
export function register(
  ...components: readonly AnyComponent[] | readonly [...components: AnyComponent[], options: SheetOptions]
): void {
  const last = components.at(-1);
  const options = typeof last === 'object' ? (last as SheetOptions) : undefined;
  const look = options?.sheets && lookOf(options.sheets);
  const failed: LatticeError[] = [];
  for (const component of options ? components.slice(0, -1) : components) {
    const core = coreOf(component as AnyComponent);
    // A server, and commands, read modules that do so as a page does: there is nothing to register with.
    if (typeof customElements === 'undefined') continue;
    try {
      defineInPage(core, look);
    } catch (thrown) {
      failed.push(thrown as LatticeError);
    }
  }
  // What is right is there by now.
  const [only] = failed;
  if (failed.length === 0) return;
  const isAll = failed.every((one) => one instanceof LatticeError);
  throw isAll && failed.length > 1 ? new LatticeError(failed.flatMap(({ problems }) => problems)) : only;
}

/** The class of a component's element: an `HTMLElement` with the component's props as properties. */
export type ElementClass<C> = new () => MethodsOf<C> &
  HTMLElement & { -readonly [K in keyof PropsOf<C>]: PropsOf<C>[K] };

/**
 * The element of a component: its props as properties, its methods, and its events where they are listened to.
 *
 * @example const counter = document.querySelector('crate-counter') as ElementOf<typeof CrateCounter>;
 */
export type ElementOf<C> = Hearing<EventsOf<C>> &
  MethodsOf<C> &
  Filling<SlotsOf<C>> &
  HTMLElement & { -readonly [K in keyof PropsOf<C>]: PropsOf<C>[K] };

/**
 * The element of a component that is a form field, with what form controls have
 * (https://html.spec.whatwg.org/#dom-elementinternals-form).
 *
 * @example (document.querySelector('weight-field') as FieldElementOf<typeof WeightField>).validity.valid
 */
export type FieldElementOf<C> = ElementOf<C> & Omit<FieldMembers, keyof PropsOf<C>>;

/** What the element of a form field has besides its props. */
export interface FieldMembers
  extends Pick<
    ElementInternals,
    'checkValidity' | 'form' | 'labels' | 'reportValidity' | 'validationMessage' | 'validity' | 'willValidate'
  > {
  disabled: boolean;
  name: string;
  /** The tag name. */
  readonly type: string;
  value: string;
  setCustomValidity(message: string): void;
}

type Filling<Slots> = [FilledByData<Slots>] extends [never]
  ? unknown
  : {
      /** Functions that fill the slots that pass data, each called with one piece of it. */
      fillers?: {
        readonly [K in FilledByData<Slots>]?: (data: PassedTo<Slots[K]>) => Node | string;
      };
    };
type FilledByData<Slots> = {
  [K in keyof Slots]-?: NonNullable<Slots[K]> extends (data: infer _Data) => unknown ? K : never;
}[keyof Slots];
type PassedTo<Fill> = NonNullable<Fill> extends (data: Expr<infer Data>) => unknown ? Data : never;

type Hearing<Events> = [Events] extends [never]
  ? unknown
  : {
      addEventListener<Name extends keyof Events & string>(
        name: Name,
        listener: (event: CustomEvent<DetailOf<Events[Name]>>) => unknown,
        options?: boolean | AddEventListenerOptions,
      ): void;
    };
type DetailOf<Kind> = Kind extends EventKind<infer Detail> ? Detail : never;

/**
 * The class of a component's custom element, to define under a name of one's own or to extend.
 *
 * @throws LatticeError `component-unknown`
 * @example customElements.define('crate-counter', elementClass(CrateCounter));
 */
export function elementClass<C extends AnyComponent>(component: C): ElementClass<C> {
  return classOf(liveOf(coreOf(component))) as ElementClass<C>;
}

function coreOf(component: AnyComponent): ComponentCore {
  const core = componentCore(component);
  if (!core) throw failure(notAComponent(component));
  return core;
}
