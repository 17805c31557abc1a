import { existsSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { pathToFileURL } from 'node:url';
import type { HTMLDocument, LanguageService } from 'vscode-html-languageservice';
import type {
  CompletionItem,
  DocumentLink,
  Hover,
  ServerCapabilities,
  TextDocumentIdentifier,
  TextDocumentPositionParams,
} from 'vscode-languageserver/node';
import type { TextDocument } from 'vscode-languageserver-textdocument';
import { askedAt } from './asked.js';
import { htmlOf, htmlService } from './html-text.js';
import { fileOf } from './open-files.js';
import type { Served } from './served.js';
import { spotAt } from './spot.js';

export const htmlCapabilities: ServerCapabilities = {
  documentSymbolProvider: true,
  documentHighlightProvider: true,
  linkedEditingRangeProvider: true,
  foldingRangeProvider: true,
  selectionRangeProvider: true,
  documentLinkProvider: {},
};

/** HTML text in a document, and what reads it. */
interface Read {
  readonly service: LanguageService;
  readonly document: TextDocument;
  readonly tree: HTMLDocument;
}

/** HTML's own words, for an editor that has no other server for them. */
export interface HtmlWords {
  /** What may stand there, save for what is known already. */
  completions(
    params: TextDocumentPositionParams,
    known: readonly CompletionItem[],
  ): Promise<readonly CompletionItem[]>;
  hover(params: TextDocumentPositionParams): Promise<Hover | undefined>;
}

/** Answers what an editor asks of any HTML text: its tags and how they meet, whatever they mean. */
export function serveHtml({ connection, documents, projects }: Served): HtmlWords {
  const read = async ({ uri }: TextDocumentIdentifier): Promise<Read | undefined> => {
    const document = documents.get(uri);
    const project = projects.of(fileOf(uri));
    const html = document && project && htmlOf(document, fileOf(uri), project.catalogue);
    if (!html) return undefined;
    const service = await htmlService();
    return { service, document: html, tree: service.parseHTMLDocument(html) };
  };

  connection.onDocumentSymbol(async ({ textDocument }) => {
    const found = await read(textDocument);
    return found?.service.findDocumentSymbols2(found.document, found.tree) ?? [];
  });

  connection.onDocumentHighlight(async ({ position, textDocument }) => {
    const found = await read(textDocument);
    return found?.service.findDocumentHighlights(found.document, position, found.tree) ?? [];
  });

  connection.languages.onLinkedEditingRange(async ({ position, textDocument }) => {
    const found = await read(textDocument);
    const ranges = found?.service.findLinkedEditingRanges(found.document, position, found.tree);
    return ranges ? { ranges, wordPattern: '[\\w.-]+' } : null;
  });

  connection.onFoldingRanges(async ({ textDocument }) => {
    const found = await read(textDocument);
    return found?.service.getFoldingRanges(found.document) ?? [];
  });

  connection.onSelectionRanges(async ({ positions, textDocument }) => {
    const found = await read(textDocument);
    return found?.service.getSelectionRanges(found.document, positions) ?? [];
  });

  connection.onDocumentLinks(async ({ textDocument }): Promise<DocumentLink[]> => {
    const found = await read(textDocument);
    const file = fileOf(textDocument.uri);
    const root = projects.of(file)?.folder ?? dirname(file);
    const whole = (path: string): string | undefined =>
      addressOf(path.startsWith('/') ? join(root, path) : resolve(dirname(file), path));
    const inHtml =
      found?.service.findDocumentLinks(found.document, {
        resolveReference: (path) =>
          /^[a-z][\w+.-]*:|^\/\//i.test(path) ? path : whole(path.replace(/[?#].*$/, '')),
      }) ?? [];
    const document = documents.get(textDocument.uri);
    const isModule = document !== undefined && !/\.html?$/.test(file);
    return [
      // What an expression gives is no address yet.
      ...inHtml.filter(({ range, target }) => target && !document?.getText(range).includes('{{')),
      ...(isModule ? linksIn(document, whole) : []),
    ];
  });

  const isExpression = (params: TextDocumentPositionParams): boolean => {
    const asked = askedAt(params, documents, projects);
    return asked !== undefined && spotAt(asked.text, asked.offset).spot.kind === 'expression';
  };

  return {
    async completions(params, known) {
      const found = isExpression(params) ? undefined : await read(params.textDocument);
      if (!found) return [];
      const labels = new Set(known.map(({ label }) => label));
      const { items } = found.service.doComplete(found.document, params.position, found.tree);
      return items.filter(({ label }) => !labels.has(label)) as CompletionItem[];
    },
    async hover(params) {
      const found = isExpression(params) ? undefined : await read(params.textDocument);
      return (found?.service.doHover(found.document, params.position, found.tree) ?? undefined) as
        | Hover
        | undefined;
    },
  };
}

/** A file's address, if there is one. */
function addressOf(path: string): string | undefined {
  return existsSync(path) ? pathToFileURL(path).href : undefined;
}

/** The files that a module names: of templates, of rules, and other modules. */
function linksIn(document: TextDocument, whole: (path: string) => string | undefined): DocumentLink[] {
  const text = document.getText();
  return [...text.matchAll(/(['"`])(\.{1,2}\/[^'"`\n]+\.(?:html|css|json|[cm]?[jt]s))\1/g)].flatMap(
    (found) => {
      const path = found[2] ?? '';
      // What is written in TypeScript is imported by the name that it has when it is JavaScript.
      const target = whole(path) ?? whole(path.replace(/\.([cm]?)js$/, '.$1ts'));
      if (target === undefined) return [];
      const from = found.index + 1;
      return [
        { range: { start: document.positionAt(from), end: document.positionAt(from + path.length) }, target },
      ];
    },
  );
}
