import {
  type Location,
  type ServerCapabilities,
  SymbolKind,
  type TextDocumentPositionParams,
  type WorkspaceSymbol,
} from 'vscode-languageserver/node';
import { Places, readMarkup } from 'zesty-lattice/internal/markup';
import { askedAt, locationOf, wordAt } from './asked.js';
import { type DeclaredIn, declarationOf } from './declared.js';
import { formatted } from './format.js';
import { htmlOf } from './html-text.js';
import type { Written } from './known.js';
import { fileOf, OpenFiles } from './open-files.js';
import { referencesTo } from './references.js';
import { expressionsIn } from './rename-text.js';
import { projectTexts } from './serve-rename.js';
import type { Served } from './served.js';
import { signatureAt } from './signature.js';
import { spotAt } from './spot.js';
import { tokensOf, tokenTypes } from './tokens.js';

export const nameCapabilities: ServerCapabilities = {
  referencesProvider: true,
  workspaceSymbolProvider: true,
  signatureHelpProvider: { triggerCharacters: ['(', ','] },
  semanticTokensProvider: { legend: { tokenTypes: [...tokenTypes], tokenModifiers: [] }, full: true },
  documentFormattingProvider: true,
};

/** Answers what is known of names: where they are used, what a call takes, and what each word of an expression is. */
export function serveNames({ connection, documents, projects }: Served): void {
  const namedAt = (params: TextDocumentPositionParams): Written | undefined => {
    const written = wordAt(askedAt(params, documents, projects))?.written;
    if (written) return written;
    const document = documents.get(params.textDocument.uri);
    const file = fileOf(params.textDocument.uri);
    if (!document || file.endsWith('.html')) return undefined;
    return declaredAt(document.getText(), document.offsetAt(params.position), file);
  };

  /** What is declared in a module where an offset is. */
  const declaredAt = (text: string, offset: number, file: string): Written | undefined => {
    for (const owner of projects.of(file)?.catalogue.components ?? []) {
      if (owner.file !== file) continue;
      const words: readonly (readonly [DeclaredIn, readonly string[]])[] = [
        ['component', [owner.name]],
        ['props', owner.props.map(({ name }) => name)],
        ['slots', owner.slots.map(({ name }) => name)],
        ['events', owner.events.map(({ name }) => name)],
        ['state', owner.text.state],
        ['handlers', owner.text.handlers],
        ['helpers', owner.text.helpers],
      ];
      for (const [part, names] of words)
        for (const word of names) {
          const place = declarationOf(text, owner.name, part, word);
          if (place && offset >= place.from && offset <= place.to)
            return { file, line: owner.line, word, component: owner.name, part };
        }
    }
    return undefined;
  };

  connection.onReferences(async (params): Promise<Location[]> => {
    const named = namedAt(params);
    const project = projects.of(fileOf(params.textDocument.uri));
    if (!named || !project) return [];
    const open = new OpenFiles(documents);
    const found = referencesTo(named, project.catalogue, await projectTexts(project, open));
    const declared = locationOf(named, open);
    const all = found.map(({ file, from, to }) => {
      const document = open.document(file);
      return {
        uri: open.uri(file),
        range: { start: document.positionAt(from), end: document.positionAt(to) },
      };
    });
    const isDeclaration = ({ range: { start }, uri }: Location): boolean =>
      uri === declared?.uri &&
      start.line === declared.range.start.line &&
      start.character === declared.range.start.character;
    return params.context.includeDeclaration ? all : all.filter((one) => !isDeclaration(one));
  });

  connection.onWorkspaceSymbol(({ query }): WorkspaceSymbol[] => {
    const open = new OpenFiles(documents);
    const wanted = query.toLowerCase();
    return projects.all.flatMap(({ catalogue }) =>
      catalogue.components.flatMap(({ exportName, file, line, name }) => {
        if (![name, exportName.toLowerCase()].some((one) => one.includes(wanted))) return [];
        const location = locationOf({ file, line, word: name, component: name, part: 'component' }, open);
        return location ? [{ name, kind: SymbolKind.Class, containerName: exportName, location }] : [];
      }),
    );
  });

  connection.onSignatureHelp((params) => {
    const asked = askedAt(params, documents, projects);
    if (!asked?.owner) return null;
    const { spot } = spotAt(asked.text, asked.offset);
    const isRead =
      spot.kind === 'expression' ||
      (spot.kind === 'value' && /^(?:handles|given|each-of)$/.test(spot.attribute));
    return isRead ? signatureAt(asked.text.slice(0, asked.offset), asked.owner) : null;
  });

  connection.languages.semanticTokens.on(({ textDocument: { uri } }) => {
    const document = documents.get(uri);
    const file = fileOf(uri);
    const catalogue = projects.of(file)?.catalogue;
    const html = document && catalogue && htmlOf(document, file, catalogue);
    if (!html) return { data: [] };
    const text = html.getText();
    const expressions = expressionsIn(readMarkup(text, new Places(text, '')), text);
    return { data: [...tokensOf(expressions, html)] };
  });

  connection.onDocumentFormatting(({ options, textDocument: { uri } }) => {
    const document = documents.get(uri);
    if (!document || !fileOf(uri).endsWith('.html')) return [];
    const text = document.getText();
    const indent = options.insertSpaces ? ' '.repeat(options.tabSize) : '\t';
    const now = formatted(text, indent);
    if (now === text) return [];
    return [
      { range: { start: document.positionAt(0), end: document.positionAt(text.length) }, newText: now },
    ];
  });
}
