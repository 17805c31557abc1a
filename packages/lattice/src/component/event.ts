declare const types: unique symbol;

/** An event that a component sends out: a `CustomEvent` that bubbles and is composed. */
export class EventKind<Detail = void> {
  declare readonly [types]: Detail;
  readonly description: string | undefined;
  /** How it is sent, where that is not as usual. */
  readonly options: EventOptions | undefined;

  /** What to listen to in its place. */
  readonly instead: string | undefined;

  constructor(description?: string, options?: EventOptions, instead?: string) {
    this.description = description;
    this.options = options;
    this.instead = instead;
  }

  /** Says in a sentence when the event is sent. */
  describe(description: string): EventKind<Detail> {
    return new EventKind<Detail>(description, this.options, this.instead);
  }

  /** Says that nobody should listen to it any more, and what to do instead. `lattice check` reports those who do. */
  deprecated(instead: string): EventKind<Detail> {
    return new EventKind<Detail>(this.description, this.options, instead);
  }
}

export type AnyEventKind = EventKind<unknown>;

/** How an event is sent (https://dom.spec.whatwg.org/#dictdef-eventinit): it bubbles and is composed unless said. */
export interface EventOptions {
  readonly bubbles?: boolean;
  readonly composed?: boolean;
  /** Listeners may cancel it. `dispatch` sends it at once, and returns false if one did. */
  readonly cancelable?: boolean;
}

interface EventMaker {
  (options?: EventOptions): EventKind<void>;
  <Detail>(options?: EventOptions): EventKind<Detail>;
}

/**
 * Declares an event by the type of its detail; left out, the event has none.
 *
 * @example events: { changed: event<{ count: number }>(), closing: event({ cancelable: true }) }
 */
export const event: EventMaker = <Detail>(options?: EventOptions): EventKind<Detail> =>
  new EventKind<Detail>(undefined, options);
