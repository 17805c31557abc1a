import { escapeAttribute as safeAttribute, escapeText as safeText } from 'zesty-lattice/html';
import { voidElements } from 'zesty-lattice/internal/template';
import { declarationsIn } from './declarations.js';
import type { AttributePart, Part, Piece } from './parts.js';

/** A drawn template as template text. */
export function markupText(part: Part): string {
  switch (part.kind) {
    case 'text':
      return part.pieces.map((piece) => textPiece(piece, escapeText)).join('');
    case 'comment':
      return `<!--${part.text}-->`;
    case 'slot':
      return part.name === 'default' ? '<slot></slot>' : `<slot name="${part.name}"></slot>`;
    case 'element': {
      const attributes = part.attributes.map(({ name, value }) =>
        value === true
          ? ` ${name}`
          : ` ${name}="${value.map((piece) => textPiece(piece, escapeAttribute)).join('')}"`,
      );
      const open = `<${part.tag}${attributes.join('')}>`;
      if (voidElements.has(part.tag)) return open;
      const content = /^(script|style)$/.test(part.tag)
        ? part.content.map(rawText)
        : part.content.map(markupText);
      return `${open}${content.join('')}</${part.tag}>`;
    }
  }
}

function textPiece(piece: Piece, escaped: (text: string) => string): string {
  return typeof piece === 'string' ? escaped(piece).replaceAll('{{', "{{ '{{' }}") : `{{${piece.prop}}}`;
}

function rawText(part: Part): string {
  return part.kind === 'text' ? part.pieces.map(String).join('') : '';
}

export function escapeText(text: string): string {
  return safeText(text).replaceAll('\u00a0', '&nbsp;');
}

export function escapeAttribute(text: string): string {
  return safeAttribute(text).replaceAll('\u00a0', '&nbsp;');
}

/** A drawn template as calls of builders, and which names it needs besides `el`. */
export function builderCode(part: Part): { readonly code: string; readonly needs: ReadonlySet<string> } {
  const needs = new Set<string>();
  const code = expression(part, 4, needs);
  return { code, needs };
}

function expression(part: Part, indent: number, needs: Set<string>): string {
  switch (part.kind) {
    case 'text':
      return part.pieces.map(pieceCode).join(', ');
    case 'comment':
      needs.add('trusted');
      return `trusted(${quoted(`<!--${part.text}-->`)})`;
    case 'slot':
      return /^[A-Za-z_$][\w$]*$/.test(part.name) ? `slots.${part.name}()` : `slots[${quoted(part.name)}]()`;
    case 'element': {
      const args: string[] = [];
      if (part.attributes.length > 0) args.push(attributesCode(part.attributes, needs));
      const isRaw = /^(script|style)$/.test(part.tag);
      for (const child of part.content) {
        if (isRaw) needs.add('trusted');
        args.push(isRaw ? `trusted(${quoted(rawText(child))})` : expression(child, indent + 2, needs));
      }
      const hasBuilder = /^[A-Za-z][A-Za-z0-9]*$/.test(part.tag) && part.tag !== 'of' && !(part.tag in {});
      const builder = hasBuilder ? `el.${part.tag}(` : 'el.of(';
      if (!hasBuilder) args.unshift(quoted(part.tag));
      const line = `${builder}${args.join(', ')})`;
      if (line.length + indent < 96 && !line.includes('\n')) return line;
      const pad = ' '.repeat(indent + 2);
      return `${builder}\n${args.map((arg) => `${pad}${arg},`).join('\n')}\n${' '.repeat(indent)})`;
    }
  }
}

function pieceCode(piece: Piece): string {
  return typeof piece === 'string' ? quoted(piece) : `props.${piece.prop}`;
}

function attributesCode(attributes: readonly AttributePart[], needs: Set<string>): string {
  const entries = attributes.map(({ name, value }) => {
    const key = propertyKey(name);
    if (value === true) return `${key}: true`;
    const [only] = value;
    if (value.length <= 1) return `${key}: ${only === undefined ? "''" : pieceCode(only)}`;
    if (name === 'class') {
      return `${key}: [${value
        .filter((piece) => piece !== ' ')
        .map((piece) => (typeof piece === 'string' ? quoted(piece.trim()) : pieceCode(piece)))
        .join(', ')}]`;
    }
    if (name === 'style') return `${key}: ${styleCode(value, needs)}`;
    return `${key}: ${phraseCode(value, needs)}`;
  });
  return `{ ${entries.join(', ')} }`;
}

function phraseCode(pieces: readonly Piece[], needs: Set<string>): string {
  const [only] = pieces;
  if (pieces.length === 1 && only !== undefined) return pieceCode(only);
  needs.add('phrase');
  const text = pieces.map((piece) =>
    typeof piece === 'string' ? piece.replace(/[\\`$]/g, '\\$&') : `\${props.${piece.prop}}`,
  );
  return `phrase\`${text.join('')}\``;
}

/** What stands for a prop while a style's text is taken apart: no text of HTML has it. */
const sign = '\u0000';

/** A style with props in it: a record of its declarations. */
function styleCode(pieces: readonly Piece[], needs: Set<string>): string {
  const text = pieces
    .map((piece) => (typeof piece === 'string' ? piece : `${sign}${piece.prop}${sign}`))
    .join('');
  const fields = declarationsIn(text).map(({ name, value }) => {
    const parts = value.split(sign).map((part, at): Piece => (at % 2 === 0 ? part : { prop: part }));
    return `${propertyKey(name)}: ${phraseCode(
      parts.filter((part) => part !== ''),
      needs,
    )}`;
  });
  return `{ ${fields.join(', ')} }`;
}

/** A name as the key of a record in code. */
export function propertyKey(name: string): string {
  if (name === '__proto__') return "['__proto__']";
  return /^[A-Za-z_$][\w$]*$/.test(name) ? name : quoted(name);
}

/** A text in code: whatever is drawn from a page gets there through this, or as a name that is nothing but a word. */
export function quoted(text: string): string {
  return `'${JSON.stringify(text).slice(1, -1).replace(/\\"/g, '"').replace(/'/g, "\\'")}'`;
}
