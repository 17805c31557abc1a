import type { Frame } from '../template/index.js';
import type { Pass } from './pass.js';

/** A place in compiled HTML text: what stands there, for one frame. */
export type Write = (frame: Frame, pass: Pass) => string;

/** HTML text being compiled: static text and, in between, the places that depend on a frame. */
export class Chunks {
  /** Static texts and places take turns; it starts and ends with a text. */
  readonly texts: string[] = [''];
  readonly places: Write[] = [];

  text(text: string): void {
    this.texts[this.texts.length - 1] += text;
  }

  place(write: Write): void {
    this.places.push(write);
    this.texts.push('');
  }

  /** The static text, where there is nothing else. */
  get constant(): string | undefined {
    return this.places.length === 0 ? this.texts[0] : undefined;
  }

  /** One function that writes it all. Up to four places are written out, more go in groups. */
  compile(): Write {
    const [a = '', b = '', c = '', d = '', e = ''] = this.texts;
    const [p, q, r, s] = this.places;
    switch (this.places.length) {
      case 0:
        return () => a;
      case 1:
        return p ? (frame, pass) => a + p(frame, pass) + b : () => a;
      case 2:
        return p && q ? (frame, pass) => a + p(frame, pass) + b + q(frame, pass) + c : () => a;
      case 3:
        return p && q && r
          ? (frame, pass) => a + p(frame, pass) + b + q(frame, pass) + c + r(frame, pass) + d
          : () => a;
      case 4:
        return p && q && r && s
          ? (frame, pass) =>
              a + p(frame, pass) + b + q(frame, pass) + c + r(frame, pass) + d + s(frame, pass) + e
          : () => a;
      default:
        return this.compileMany();
    }
  }

  /** More than four places: groups of four, each compiled. */
  compileMany(): Write {
    const groups: Write[] = [];
    for (let first = 0; first < this.places.length; first += 4) {
      const group = new Chunks();
      for (let at = first; at < Math.min(first + 4, this.places.length); at++) {
        const place = this.places[at];
        group.text(this.texts[at] ?? '');
        if (place) group.place(place);
      }
      if (first + 4 >= this.places.length) group.text(this.texts.at(-1) ?? '');
      groups.push(group.compile());
    }
    const all = new Chunks();
    if (groups.length <= 4) {
      for (const group of groups) all.place(group);
      return all.compile();
    }
    return (frame, pass) => {
      let text = '';
      for (const group of groups) text += group(frame, pass);
      return text;
    };
  }
}
