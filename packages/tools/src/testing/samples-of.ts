import { existsSync, readFileSync } from 'node:fs';
import { basename, dirname, join } from 'node:path';
import { type AnyComponent, type ComponentCore, componentCore } from 'zesty-lattice/internal/component';
import { renderHtml } from 'zesty-lattice/internal/html';
import { renderDocument } from 'zesty-lattice/internal/markup';
import { blocksOf } from 'zesty-lattice/internal/plan';
import {
  failure,
  finding,
  LatticeError,
  type Problem,
  type SourcePlace,
} from 'zesty-lattice/internal/problem';
import { notAComponent, resolve } from 'zesty-lattice/internal/tree';
import { loadModule } from '../check/modules.js';
import { moduleSamples, textSamples } from '../samples/index.js';

/** Options of `samplesOf`. */
export interface SampleOptions {
  /** More components for the tags in HTML samples, besides the component and those that it uses. */
  readonly uses?: readonly AnyComponent[];
  /** `markup` (default) flattens components into plain HTML; `elements` keeps interactive ones as custom elements. */
  readonly form?: 'markup' | 'elements';
}

/** A sample of a component, rendered. */
export interface RenderedSample {
  readonly name: string;
  /** What it comes to. */
  readonly html: string;
  /** What is wrong in it, errors and warnings. */
  readonly problems: readonly Problem[];
  /** What is written, where it is HTML text. */
  readonly text?: string;
  readonly source: SourcePlace;
}

/**
 * The samples of a component, each rendered: those in `price-tag.sample.html` and `price-tag.sample.ts` beside the module
 * that makes it, by the module's name or by the component's.
 *
 * @throws LatticeError `component-unknown`, and what a module of samples throws as it runs
 * @example for (const { name, problems } of await samplesOf(PriceTag)) test(name, () => expect(problems).toEqual([]));
 */
export async function samplesOf(
  component: AnyComponent,
  { uses = [], form }: SampleOptions = {},
): Promise<readonly RenderedSample[]> {
  const core = componentCore(component);
  if (!core) throw failure(notAComponent(component));
  const components = new Map<string, ComponentCore>();
  for (const one of [component, ...uses]) gather(componentCore(one), components);
  const samples: RenderedSample[] = [];
  for (const file of sampleFiles(core)) {
    if (file.endsWith('.html')) {
      for (const { alone, name, source, text } of textSamples(readFileSync(file, 'utf8'), file)) {
        const { html, problems } = renderDocument(
          alone,
          { components, foreign: [] },
          { file, styles: false, ...(form && { form }) },
        );
        samples.push({ name, html: html.trim(), problems, text, source });
      }
      continue;
    }
    for (const { name, use } of moduleSamples(await loadModule(file))) {
      const { problems } = resolve(use);
      const source = { file, line: 1, column: 1 };
      const isWrong = problems.some(({ severity }) => severity === 'error');
      samples.push({ name, html: isWrong ? '' : renderHtml(use, form ? { form } : {}), problems, source });
    }
  }
  return samples;
}

/** The files of samples beside the module that makes a component. */
function sampleFiles({ name, source }: ComponentCore): readonly string[] {
  if (!source) throw new LatticeError([{ ...finding('samples-unread', { name }), where: name }]);
  const folder = dirname(source.file);
  const module = basename(source.file).replace(/\.[cm]?[jt]s$/, '');
  return [...new Set([name, module])]
    .flatMap((one) =>
      ['html', 'ts', 'mts', 'js', 'mjs'].map((ending) => join(folder, `${one}.sample.${ending}`)),
    )
    .filter((file) => existsSync(file));
}

/** A component, and those that stand in it, by their tags. */
function gather(core: ComponentCore | undefined, all: Map<string, ComponentCore>): void {
  if (!core || all.has(core.name)) return;
  all.set(core.name, core);
  for (const { uses } of blocksOf(core)) for (const use of uses) gather(use.component, all);
}
