import { readFileSync } from 'node:fs';
import { basename, dirname } from 'node:path';
import { type ComponentCore, componentCore, componentsIn } from 'zesty-lattice/internal/component';
import { renderPage } from 'zesty-lattice/internal/html';
import { isDocument, renderDocument } from 'zesty-lattice/internal/markup';
import type { Problem } from 'zesty-lattice/internal/problem';
import { resolve } from 'zesty-lattice/internal/tree';
import { filesIn, namesLibrary } from '../check/files.js';
import { loadModule } from '../check/modules.js';
import { readSettings } from '../check/settings.js';
import { isSampleFile, moduleSamples, textSamples } from '../samples/index.js';

/** A sample as a page of its own. */
export interface SamplePage {
  /** The file's name without its endings, mostly the component's: `variety-card`. */
  readonly group: string;
  readonly name: string;
  readonly html: string;
  /** Where its own files are looked for, such as pictures. */
  readonly folder: string;
}

export interface SamplePages {
  readonly pages: readonly SamplePage[];
  /** What is wrong: a sample with an error has no page. */
  readonly problems: readonly Problem[];
}

/**
 * The samples below paths, each as a page: its styles in the head, what is live with the look it has at first.
 *
 * @param css rules for all pages, such as a project's custom properties
 * @throws MissingPath for a path that is not there; what a module throws as it runs
 */
export async function samplePages(paths: readonly string[], css: string): Promise<SamplePages> {
  const { foreign, ignore } = readSettings(paths[0] ?? '.');
  const files = (await filesIn(paths, ignore)).map(({ path }) => path);
  const components = new Map<string, ComponentCore>();
  for (const file of files) {
    if (file.endsWith('.html') || isSampleFile(file)) continue;
    if (!namesLibrary(readFileSync(file, 'utf8'))) continue;
    for (const component of componentsIn(await loadModule(file)).values()) {
      const core = componentCore(component);
      if (core) components.set(core.name, core);
    }
  }
  const pages: SamplePage[] = [];
  const problems: Problem[] = [];
  for (const file of files.filter(isSampleFile)) {
    const group = basename(file).replace(/\.sample\.\w+$/, '');
    const add = (name: string, found: readonly Problem[], html: () => string): void => {
      problems.push(...found);
      if (!found.some(({ severity }) => severity === 'error'))
        pages.push({ group, name, html: html(), folder: dirname(file) });
    };
    if (file.endsWith('.html')) {
      for (const { alone, name } of textSamples(readFileSync(file, 'utf8'), file)) {
        const part = renderDocument(alone, { components, foreign }, { file, styles: false });
        const page = renderDocument(
          documentOf(alone, css),
          { components, foreign },
          { file, form: 'elements', isSample: true },
        );
        add(name, part.problems, () => page.html);
      }
    } else {
      for (const { name, use } of moduleSamples(await loadModule(file)))
        add(name, resolve(use).problems, () =>
          renderPage(use, { title: name, lang: 'en', form: 'elements', styles: pageRules + css }),
        );
    }
  }
  return { pages, problems };
}

// Room around a sample, which a project's rules for the body leave alone.
const pageRules = 'html { padding: 16px; } body { margin: 0; font-family: system-ui, sans-serif; }\n';

function documentOf(html: string, css: string): string {
  // A sample that is a page has a head of its own.
  if (isDocument(html)) return html;
  // A page reads in the direction of what stands on it alone.
  const direction = /^\s*<[a-z][^>]*\sdir=["']?(rtl|ltr)/i.exec(html)?.[1];
  return `<!doctype html><html lang="en"${direction ? ` dir="${direction}"` : ''}><head><meta charset="utf-8"><title>Sample</title><style>${pageRules}${css.replaceAll('</', '<\\/')}</style></head><body>${html}</body></html>`;
}
