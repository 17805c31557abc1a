// The names of the DOM's interfaces that the types of authoring mention. Declared again, with nothing in them, so that a
// program for a server, which is compiled without the DOM's library, need not have it; where it is there, they are its.
declare global {
  interface HTMLElement {}
  interface HTMLElementEventMap {}
  interface DocumentFragment {}
  interface AbortSignal {}
  interface Event {}
}

export type DomElement = HTMLElement;
export type DomEvents = HTMLElementEventMap;
export type DomFragment = DocumentFragment;
export type DomEvent = Event;
export type DomSignal = AbortSignal;
