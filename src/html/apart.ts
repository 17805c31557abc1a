import { Chunks, Direct, type Output, type Write } from './output.js';

/** A piece of HTML text that is written apart from what is around it. */
export interface Apart {
  /** Its text, where it never changes. */
  readonly constant: string | undefined;
  readonly write: Write;
}

/** Makes a piece apart: compiled, or where all is written at once, when it is asked for. */
export function apart(around: Output, make: (to: Output) => void): Apart {
  if (!around.isDirect) return compiledApart(make);
  const write: Write = (scope, pass) => {
    const direct = new Direct(scope, pass);
    make(direct);
    return direct.html;
  };
  return { constant: undefined, write };
}

/** A piece that is written many times over, and so is compiled in any case. */
export function compiledApart(make: (to: Output) => void): Apart {
  const chunks = new Chunks();
  make(chunks);
  return { constant: chunks.constant, write: chunks.compile() };
}
