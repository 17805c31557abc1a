declare const types: unique symbol;

/** An event that a component sends out: a `CustomEvent` that bubbles and is composed. */
export class EventKind<Detail = void> {
  declare readonly [types]: Detail;
  readonly description: string | undefined;

  constructor(description?: string) {
    this.description = description;
  }

  /** Says in a sentence when the event is sent. */
  describe(description: string): EventKind<Detail> {
    return new EventKind<Detail>(description);
  }
}

export type AnyEventKind = EventKind<unknown>;

interface EventMaker {
  (): EventKind<void>;
  <Detail>(): EventKind<Detail>;
}

/**
 * Declares an event by the type of its detail; left out, the event has none.
 *
 * @example events: { changed: event<{ count: number }>(), closed: event() }
 */
export const event: EventMaker = <Detail>(): EventKind<Detail> => new EventKind<Detail>();
