import type { Scope } from '../template/index.js';
import type { Pass } from './pass.js';

/** A dynamic part of HTML text: what stands there, for one scope. */
export type Write = (scope: Scope, pass: Pass) => string;

/** The settled values of a use's props. */
export type Values = (scope: Scope, pass: Pass) => readonly unknown[];

/** Where HTML text goes that is made of a plan: static text and, in between, dynamic parts. */
export interface Output {
  /** Whether it is written for one scope at once, and not kept. */
  readonly isDirect: boolean;
  text(text: string): void;
  dynamic(write: Write): void;
}

/** HTML text for one scope, written as it is made: nothing is kept for another time. */
export class Direct implements Output {
  readonly isDirect = true;
  html = '';
  readonly scope: Scope;
  readonly pass: Pass;

  constructor(scope: Scope, pass: Pass) {
    this.scope = scope;
    this.pass = pass;
  }

  text(text: string): void {
    this.html += text;
  }

  dynamic(write: Write): void {
    this.html += write(this.scope, this.pass);
  }
}

/** HTML text being compiled. */
export class Chunks implements Output {
  readonly isDirect = false;
  /** Static texts and dynamic parts take turns; it starts and ends with a text. */
  readonly texts: string[] = [''];
  readonly parts: Write[] = [];

  text(text: string): void {
    this.texts[this.texts.length - 1] += text;
  }

  dynamic(write: Write): void {
    this.parts.push(write);
    this.texts.push('');
  }

  /** The static text, where there is nothing else. */
  get constant(): string | undefined {
    return this.parts.length === 0 ? this.texts[0] : undefined;
  }

  /** One function that writes it all. Up to four parts are written out, more go in groups. */
  compile(): Write {
    const [a = '', b = '', c = '', d = '', e = ''] = this.texts;
    const [p, q, r, s] = this.parts;
    switch (this.parts.length) {
      case 0:
        return () => a;
      case 1:
        return p ? (scope, pass) => a + p(scope, pass) + b : () => a;
      case 2:
        return p && q ? (scope, pass) => a + p(scope, pass) + b + q(scope, pass) + c : () => a;
      case 3:
        return p && q && r
          ? (scope, pass) => a + p(scope, pass) + b + q(scope, pass) + c + r(scope, pass) + d
          : () => a;
      case 4:
        return p && q && r && s
          ? (scope, pass) =>
              a + p(scope, pass) + b + q(scope, pass) + c + r(scope, pass) + d + s(scope, pass) + e
          : () => a;
      default:
        return this.compileMany();
    }
  }

  /** More than four parts: groups of four, each compiled. */
  compileMany(): Write {
    const groups: Write[] = [];
    for (let first = 0; first < this.parts.length; first += 4) {
      const group = new Chunks();
      for (let at = first; at < Math.min(first + 4, this.parts.length); at++) {
        const part = this.parts[at];
        group.text(this.texts[at] ?? '');
        if (part) group.dynamic(part);
      }
      if (first + 4 >= this.parts.length) group.text(this.texts.at(-1) ?? '');
      groups.push(group.compile());
    }
    const all = new Chunks();
    if (groups.length <= 4) {
      for (const group of groups) all.dynamic(group);
      return all.compile();
    }
    return (scope, pass) => {
      let text = '';
      for (const group of groups) text += group(scope, pass);
      return text;
    };
  }
}
