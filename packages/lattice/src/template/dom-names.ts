// The names of the DOM's interfaces that the types of authoring mention. Declared again, with nothing in them, so that a
// program for a server, which is compiled without the DOM's library, need not have it; where it is there, they are its.
declare global {
  interface HTMLElement {}
  interface HTMLElementEventMap {}
  interface HTMLElementTagNameMap {}
  interface SVGElementTagNameMap {}
  interface KeyboardEvent {}
  interface DocumentFragment {}
  interface AbortSignal {}
  interface Event {}
  interface Response {}
  interface RequestInit {}
  interface URL {}
  interface File {}
}

export type DomElement = HTMLElement;
export type DomEvents = HTMLElementEventMap;
export type DomKeyEvent = KeyboardEvent;
/** Elements by their tags, as far as the program knows them. */
export type DomElements = HTMLElementTagNameMap & SVGElementTagNameMap;
export type DomFragment = DocumentFragment;
export type DomEvent = Event;
export type DomSignal = AbortSignal;
export type DomFile = File;
/** The platform's `fetch`, as far as its names are known. */
export type DomFetch = (input: string | URL, init?: RequestInit) => Promise<Response>;
