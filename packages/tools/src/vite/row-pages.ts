import { readFile } from 'node:fs/promises';
import { resolve } from 'node:path';
import type { Plugin, ViteDevServer } from 'vite';
import { type AnyComponent, componentCore, componentsIn } from 'zesty-lattice/internal/component';
import type { Problem } from 'zesty-lattice/internal/problem';
import { fieldsIn, fileOf } from '../batch/names.js';
import { pageOf } from '../batch/page-of.js';
import { propsOf, recordOf } from '../batch/props-of.js';
import { fieldsOfSettings, settingsOf } from '../batch/row-settings.js';
import { type Row, rowsOf } from '../batch/rows.js';
import { failure } from '../check/report/text.js';
import type { RowPages } from './options.js';
import { followed, loadServed, reload, type ServedPages } from './served-pages.js';

/** Serves what `lattice batch` writes: a page for each row of some data, by the name of its file. */
export function rowPages(all: readonly RowPages[], pages: ServedPages): Plugin {
  return {
    name: 'zesty-lattice:row-pages',
    apply: 'serve',
    configureServer(server) {
      const { base, root } = server.config;
      const files = new Set(
        all.flatMap(({ css, data, head }) =>
          [data, css ?? data, head ?? data].map((one) => resolve(root, one)),
        ),
      );
      server.watcher.add([...files]);
      server.watcher.on('change', (file) => files.has(file) && reload(server));
      server.middlewares.use(async (request, response, next) => {
        const [path = ''] = (request.originalUrl ?? '').split(/[?#]/);
        if (request.method !== 'GET' || !path.startsWith(base)) return next();
        try {
          const html = await served(path.slice(base.length), server);
          if (html === undefined) return next();
          const page = await server.transformIndexHtml(request.originalUrl ?? path, followed(html));
          response.setHeader('content-type', 'text/html; charset=utf-8');
          response.end(page);
        } catch (thrown) {
          next(thrown);
        }
      });
    },
  };

  /** The page of an address; undefined where no row has that name. */
  async function served(address: string, server: ViteDevServer): Promise<string | undefined> {
    const name = decoded(address);
    for (const one of all) {
      const row = name === undefined ? undefined : await rowOf(one, name, server);
      if (!row) continue;
      const html = await written(one, row, server);
      pages.note(address, { html, again: () => written(one, row, server) });
      return html;
    }
    return undefined;
  }
}

function decoded(address: string): string | undefined {
  try {
    return decodeURIComponent(address);
  } catch {
    return undefined;
  }
}

/** The row whose file has a name. */
async function rowOf(
  { data, name: pattern }: RowPages,
  name: string,
  { config }: ViteDevServer,
): Promise<Row | undefined> {
  for await (const row of rowsOf(resolve(config.root, data))) {
    const read = recordOf(row.text);
    if ('found' in read) continue;
    const file = fileOf(config.root, pattern, read.record, row.number);
    if ('name' in file && file.name === name) return row;
  }
  return undefined;
}

async function written(
  { component, css, data, dir, form, head, lang, name, page, title }: RowPages,
  { number, text }: Row,
  server: ViteDevServer,
): Promise<string> {
  const { root } = server.config;
  const module = await loadServed(resolve(root, page), server);
  const made = theOne([...componentsIn(module).values()], page, component);
  const core = componentCore(made);
  const read = recordOf(text);
  if (!core || 'found' in read || 'fault' in text)
    throw new Error(`Row ${number} of ${data} cannot be read.`);
  const problems: Problem[] = [];
  const own = new Set([...fieldsIn(name), ...fieldsOfSettings({ dir, lang, title })]);
  const said = settingsOf({ dir, lang, title }, read.record, number);
  if ('fault' in said) throw new Error(`Row ${number} of ${data} ${said.fault}.`);
  const html = await pageOf(made, propsOf(text, read.record, core, own), {
    isPage: true,
    form: form ?? 'elements',
    ...said.settings,
    css: css === undefined ? undefined : await readFile(resolve(root, css), 'utf8'),
    head: head === undefined ? undefined : await readFile(resolve(root, head), 'utf8'),
    onProblem: (one) => problems.push(one),
  });
  const errors = problems.filter(({ severity }) => severity === 'error');
  if (errors.length > 0) throw new Error(failure(errors));
  return html;
}

function theOne(found: readonly AnyComponent[], page: string, wanted: string | undefined): AnyComponent {
  const named = wanted === undefined ? found : found.filter(({ name }) => name === wanted);
  const [one, other] = named;
  if (!one) throw new Error(`${page} exports no component${wanted === undefined ? '' : ` ${wanted}`}.`);
  if (other) throw new Error(`${page} exports several components: say which, component: '${one.name}'.`);
  return one;
}
