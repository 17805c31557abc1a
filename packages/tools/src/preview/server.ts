import { existsSync, readFileSync } from 'node:fs';
import type { IncomingMessage, ServerResponse } from 'node:http';
import { resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import type { Connect, Plugin, ViteDevServer } from 'vite';
import { reasonOf } from 'zesty-lattice/internal/problem';
import { MissingPath } from '../check/files.js';
import type { Catalogue, Given } from '../reading/facts.js';
import { Reading } from '../reading/reading.js';
import { isFromHere } from '../vite/from-here.js';
import { loadVite } from '../vite/load.js';
import { NotSaved, saveSample } from './saving.js';
import { previewPage, stageModule, stagePage } from './stage.js';

export interface PreviewOptions {
  /** The port; one that is free where it is left out. */
  readonly port?: number;
  /** A style sheet that the stage links, such as a project's custom properties. */
  readonly css?: string;
  /** Receives what is done, a line each. */
  readonly log?: (line: string) => void;
}

export interface Preview {
  /** Where it is opened: `http://127.0.0.1:4173/`. */
  readonly url: string;
  close(): Promise<void>;
}

/** Where the page, and all that it asks for, is found: apart from the project's own files. */
const base = '/@lattice/';

/** The name of the module that registers the project's components in the stage. */
const stageId = 'virtual:lattice-stage';

const files = fileURLToPath(new URL('../preview/', import.meta.url));

/** Only what this page itself asks may change files: no other page that is open in the same browser. */
const rules =
  "default-src 'self'; img-src 'self' data:; style-src 'self' 'unsafe-inline'; frame-ancestors 'self'; base-uri 'none'; form-action 'none'";

/**
 * Serves the page of a preview, on the loopback address alone.
 *
 * @throws MissingPath for a path that is not there; PackageMissing without Vite
 * @example const { url, close } = await openPreview(['src/components']);
 */
export async function openPreview(paths: readonly string[], options: PreviewOptions = {}): Promise<Preview> {
  const { lattice, vite } = await loadVite('The preview');
  // What the process that reads them throws comes without its kind.
  const missing = paths.find((path) => !existsSync(path));
  if (missing !== undefined) throw new MissingPath(`There is no file or folder ${missing}.`);
  const reading = new Reading(paths);
  const first = await reading.catalogue().catch((thrown) => {
    reading.end();
    throw thrown;
  });
  const listeners = new Set<ServerResponse>();
  const state: State = {
    catalogue: first,
    listeners,
    options,
    paths: paths.map((path) => resolve(path)),
    reading,
  };
  const server = await vite.createServer({
    root: process.cwd(),
    configFile: false,
    appType: 'custom',
    logLevel: 'error',
    cacheDir: resolve('node_modules/.vite-lattice-preview'),
    server: {
      // Maps of the modules hold whole paths: no page of another origin reads them.
      cors: false,
      host: '127.0.0.1',
      port: options.port ?? 0,
      strictPort: options.port !== undefined,
      // Over the stage a notice would hide what still works; the page tells what is wrong in its own place.
      hmr: { overlay: false },
      // It would look for the preview's own scripts among the project's.
      preTransformRequests: false,
    },
    plugins: [lattice({ inspect: true }), serving(state)],
  });
  const { url } = await listening(server, reading);
  return {
    url,
    async close() {
      for (const one of listeners) one.end();
      reading.end();
      await server.close();
    },
  };
}

async function listening(server: ViteDevServer, reading: Reading): Promise<{ readonly url: string }> {
  try {
    await server.listen();
  } catch (thrown) {
    reading.end();
    await server.close();
    throw thrown;
  }
  const address = server.httpServer?.address();
  const port = typeof address === 'object' && address !== null ? address.port : 0;
  return { url: `http://127.0.0.1:${port}/` };
}

interface State {
  catalogue: Catalogue;
  /** Whole paths of what is looked at: a change there may be a new component or sample. */
  readonly paths: readonly string[];
  readonly reading: Reading;
  readonly listeners: Set<ServerResponse>;
  readonly options: PreviewOptions;
}

function serving(state: State): Plugin {
  return {
    name: 'zesty-lattice:preview',
    resolveId: (id) => (id === stageId ? `\0${stageId}` : undefined),
    load: (id) =>
      id === `\0${stageId}` ? stageModule(state.catalogue.components, state.options.css) : undefined,
    configureServer(server) {
      let waiting: NodeJS.Timeout | undefined;
      const again = (): void => {
        clearTimeout(waiting);
        waiting = setTimeout(() => void renew(state, server), 40);
      };
      server.watcher.on('all', (_event, file) => {
        const isOurs = state.paths.some((path) => file === path || file.startsWith(`${path}/`));
        if (isOurs || (server.moduleGraph.getModulesByFile(file)?.size ?? 0) > 0) again();
      });
      server.middlewares.use((request, response, next) => {
        serve(state, server, request, response, next).catch((thrown) => {
          const status = thrown instanceof Refused ? thrown.status : 500;
          json(response, status, { failure: reasonOf(thrown) });
        });
      });
    },
  };
}

/** Reads the project anew after a change, and tells the pages that are open. */
async function renew(state: State, server: ViteDevServer): Promise<void> {
  const before = stageModule(state.catalogue.components, state.options.css);
  try {
    const found = await state.reading.renew();
    // A component whose module cannot be read right now stays as it was.
    const kept = state.catalogue.components.filter(
      ({ name, shown }) =>
        found.unread.some(({ file }) => file === shown) && !found.components.some((one) => one.name === name),
    );
    const components = [...found.components, ...kept].sort((a, b) => a.name.localeCompare(b.name));
    state.catalogue = { components, unread: found.unread };
  } catch (thrown) {
    // A newer change may have come between, whose own reading reports what is wrong.
    state.options.log?.(`The project could not be read. ${reasonOf(thrown)}`);
    return;
  }
  if (stageModule(state.catalogue.components, state.options.css) !== before) {
    const module = server.moduleGraph.getModuleById(`\0${stageId}`);
    if (module) server.moduleGraph.invalidateModule(module);
    for (const one of state.listeners) one.write('event: stage\ndata: {}\n\n');
  }
  for (const one of state.listeners) one.write('event: changed\ndata: {}\n\n');
}

async function serve(
  state: State,
  server: ViteDevServer,
  request: IncomingMessage,
  response: ServerResponse,
  next: Connect.NextFunction,
): Promise<void> {
  const url = new URL(request.url ?? '/', 'http://preview');
  if (url.pathname === '/') {
    response.setHeader('Content-Security-Policy', rules);
    return text(response, previewPage(`${base}page.js`), 'text/html');
  }
  if (!url.pathname.startsWith(base)) return next();
  if (!isFromHere(request))
    return json(response, 403, { failure: 'Only the page of the preview may ask this.' });
  const name = url.pathname.slice(base.length);
  if (name === 'page.js' || name === 'stage.js') return script(response, name);
  if (name === 'stage') {
    const html = await server.transformIndexHtml('/@lattice/stage', stagePage(stageId, `${base}stage.js`));
    response.setHeader('Content-Security-Policy', stageRules(server));
    return text(response, html, 'text/html');
  }
  if (name === 'changes') return listen(state, response);
  if (name === 'catalogue') return json(response, 200, state.catalogue);
  if (request.method !== 'POST') return json(response, 404, { failure: 'There is nothing here.' });
  if (!isOwn(request)) return json(response, 403, { failure: 'Only the page of the preview may ask this.' });
  return answer(state, name, await askedIn(request), response);
}

/** A request that is answered with an HTTP status and the reason. */
class Refused extends Error {
  constructor(
    readonly status: number,
    message: string,
  ) {
    super(message);
  }
}

interface Asked {
  readonly component?: string;
  readonly given?: Given;
  readonly text?: string;
  readonly name?: string;
  readonly replace?: boolean;
}

async function answer(state: State, what: string, asked: Asked, response: ServerResponse): Promise<void> {
  const { component = '', given, name = '', replace = false, text: html } = asked;
  if (what === 'shown' && given) {
    const found = await state.reading.shown(component, given);
    return found
      ? json(response, 200, found)
      : json(response, 404, { failure: `There is no component "${component}".` });
  }
  if (what === 'text' && html !== undefined) return json(response, 200, await state.reading.shownText(html));
  const facts = state.catalogue.components.find((one) => one.name === component);
  if (what === 'save' && facts && html !== undefined) {
    try {
      const saved = saveSample(facts.file, name, html, { replace });
      state.options.log?.(`Saved "${name}" in ${saved.file}`);
      return json(response, 200, { file: saved.file });
    } catch (thrown) {
      if (!(thrown instanceof NotSaved)) throw thrown;
      return json(response, 409, { failure: thrown.message });
    }
  }
  return json(response, 404, { failure: 'There is nothing here.' });
}

/** Returns what a request asks for. @throws Refused unless its body is a JSON object */
async function askedIn(request: IncomingMessage): Promise<Asked> {
  const body = await bodyOf(request);
  let asked: unknown;
  try {
    asked = JSON.parse(body);
  } catch {
    throw new Refused(400, 'The body is not JSON.');
  }
  if (typeof asked !== 'object' || asked === null || Array.isArray(asked))
    throw new Refused(400, 'The body has to be a JSON object.');
  const { component, given, name, replace, text } = asked as Readonly<Record<string, unknown>>;
  const isText = (value: unknown): boolean => value === undefined || typeof value === 'string';
  if (![component, name, text].every(isText) || !(replace === undefined || typeof replace === 'boolean'))
    throw new Refused(400, '"component", "name" and "text" are texts, "replace" is true or false.');
  if (given !== undefined && !isGiven(given))
    throw new Refused(400, '"given" has to be an object with "props" and "slots".');
  return asked;
}

const isRecord = (value: unknown): boolean =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

function isGiven(value: unknown): boolean {
  const { props, slots } = (value ?? {}) as Partial<Record<'props' | 'slots', unknown>>;
  return isRecord(value) && isRecord(props) && isRecord(slots);
}

/** Whether the page of the preview asks, by what a browser says of it (https://www.w3.org/TR/fetch-metadata/#sec-fetch-site-header). */
function isOwn(request: IncomingMessage): boolean {
  return request.headers['content-type'] === 'application/json' && isFromHere(request);
}

/** What a slot was filled with runs nothing, whoever wrote the address: only modules of the project do. */
function stageRules({ config }: ViteDevServer): string {
  const socket = config.server.hmr === false ? '' : ' ws:';
  return `default-src 'self' data: blob:; script-src 'self'; style-src 'self' 'unsafe-inline'; connect-src 'self'${socket}; form-action 'none'; base-uri 'none'; frame-ancestors 'self'`;
}

function listen({ listeners }: State, response: ServerResponse): void {
  response.writeHead(200, { 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-store' });
  response.write(': open\n\n');
  listeners.add(response);
  response.on('close', () => listeners.delete(response));
}

function script(response: ServerResponse, name: string): void {
  text(response, readFileSync(resolve(files, name), 'utf8'), 'text/javascript');
}

function text(response: ServerResponse, body: string, type: string): void {
  response.setHeader('Content-Type', `${type}; charset=utf-8`);
  response.setHeader('Cache-Control', 'no-store');
  response.end(body);
}

function json(response: ServerResponse, status: number, body: unknown): void {
  response.statusCode = status;
  text(response, JSON.stringify(body), 'application/json');
}

/** What a page may send at once, in characters. */
const most = 4_000_000;

async function bodyOf(request: IncomingMessage): Promise<string> {
  let body = '';
  request.setEncoding('utf8');
  for await (const part of request) {
    body += part;
    if (body.length > most) throw new Refused(413, 'That is more than a preview takes.');
  }
  return body;
}
