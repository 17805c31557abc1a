import { brotliCompressSync, gzipSync } from 'node:zlib';
import { type ComponentCore, fault, readText } from 'zesty-lattice/internal/component';
import { prettyLines } from 'zesty-lattice/internal/html';
import { documentTrees, renderDocument } from 'zesty-lattice/internal/markup';
import { treeView } from '../tree-page/view.js';
import type { ReadProject } from './catalogue.js';
import type { Given, Shown } from './facts.js';
import { useCode } from './use-code.js';
import { useText } from './use-text.js';

/** What comes of a component with what it is given. */
export function shown(project: ReadProject, core: ComponentCore, given: Given): Shown {
  return shownText(project, useText(core, given), faultsOf(core, given));
}

/** What comes of HTML text with components in it. */
export function shownText(
  { exported, known }: ReadProject,
  text: string,
  faults: Readonly<Record<string, string>> = {},
): Shown {
  const file = 'preview';
  const { html, problems } = renderDocument(text, known, { file, styles: false });
  const { trees } = documentTrees(text, known, { file });
  const view = treeView(trees, [], (written) => written);
  return {
    text,
    code: useCode(text, exported),
    lines: prettyLines(html),
    html,
    faults,
    problems,
    tree: view.lines,
    bytes: {
      plain: Buffer.byteLength(html),
      gzip: gzipSync(html).length,
      brotli: brotliCompressSync(html).length,
    },
  };
}

/** What the kinds say of values that do not fit, by prop. */
function faultsOf({ props }: ComponentCore, given: Given): Readonly<Record<string, string>> {
  const faults: Record<string, string> = {};
  for (const [index, name] of props.names.entries()) {
    const kind = props.kinds[index];
    const value = given.props[name];
    if (!kind) continue;
    if (value === undefined || value === null) {
      if (kind.settings.presence === 'required') faults[name] = `is required: ${kind.rules.expected}`;
      continue;
    }
    const isText = typeof value === 'string';
    const wrong = fault(kind, isText ? readText(kind.rule, value) : value);
    if (wrong !== undefined) faults[name] = wrong;
  }
  return faults;
}
