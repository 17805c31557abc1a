import type { Location, TextDocumentPositionParams, TextDocuments } from 'vscode-languageserver/node';
import type { TextDocument } from 'vscode-languageserver-textdocument';
import type { ComponentFacts } from '../reading/facts.js';
import { declarationOf } from './declared.js';
import { type Known, knownAt, type Written } from './known.js';
import { fileOf, type OpenFiles } from './open-files.js';
import type { Project, Projects } from './projects.js';
import { regionAt } from './region.js';
import { spotAt, wordEnd } from './spot.js';

/** What an editor asks about: a place in HTML text, of the component whose template it is. */
export interface Asked {
  readonly project: Project;
  readonly document: TextDocument;
  /** The HTML text around the place, and where in it that is. */
  readonly text: string;
  readonly offset: number;
  /** Where in the document it begins. */
  readonly base: number;
  readonly owner: ComponentFacts | undefined;
}

/** The place in HTML text that an editor asks about; undefined where it is in none. */
export function askedAt(
  { position, textDocument }: TextDocumentPositionParams,
  documents: TextDocuments<TextDocument>,
  projects: Projects,
): Asked | undefined {
  const document = documents.get(textDocument.uri);
  const file = fileOf(textDocument.uri);
  const project = projects.of(file);
  if (!document || !project) return undefined;
  const at = document.offsetAt(position);
  const region = regionAt(document.getText(), at, file, project.catalogue);
  return region && { ...region, project, document, base: at - region.offset };
}

/** What is known of the word that a place is in. */
export function wordAt(asked: Asked | undefined): Known | undefined {
  if (!asked) return undefined;
  const end = wordEnd(asked.text, asked.offset);
  const spotted = spotAt(asked.text, end);
  const { spot } = spotted;
  if (spot.kind === 'text') return undefined;
  const word =
    spot.kind === 'value'
      ? (/[\w$-]*$/.exec(spot.word)?.[0] ?? '')
      : // The names of tags and attributes are the same in capitals (https://html.spec.whatwg.org/#attributes-2).
        spot.kind === 'expression'
        ? spot.word
        : spot.word.toLowerCase();
  // An end tag is of the component whose tag it is; what is written once is looked up all the same.
  const place = spot.kind === 'tag' ? { ...spotted, spot: { ...spot, isEnd: false } } : spotted;
  const open = spot.kind === 'attribute' ? { ...place, spot: { ...spot, others: [] } } : place;
  return knownAt(open, asked.project.catalogue, asked.owner).find((one) => one.word === word);
}

/** Where a word is declared: in its definition, else where its module first names it. */
export function locationOf(
  { component, file, line, part, word }: Written,
  files: OpenFiles,
): Location | undefined {
  const text = files.text(file);
  if (text === undefined) return undefined;
  const document = files.document(file, text);
  const place = declarationOf(text, component, part, word) ?? firstNamed(text, line, word);
  return {
    uri: files.uri(file),
    range: { start: document.positionAt(place.from), end: document.positionAt(place.to) },
  };
}

function firstNamed(
  text: string,
  line: number,
  word: string,
): { readonly from: number; readonly to: number } {
  const start = text
    .split('\n')
    .slice(0, line - 1)
    .join('\n').length;
  const pattern = new RegExp(`(?<![\\w$-])${word.replace(/[$]/g, '\\$&')}(?![\\w$-])`, 'g');
  pattern.lastIndex = start;
  const from = pattern.exec(text)?.index;
  return from === undefined ? { from: start, to: start } : { from, to: from + word.length };
}
