import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { root } from '../cli/lattice.js';

/** What a guide takes for granted: components of the orchard. */
const given: Readonly<Record<string, string>> = {
  'testing ts': `import { el } from 'zesty-lattice';
import { PriceTag } from '../../../examples/orchard/components/price-tag.js';
import { VarietyCard } from '../../../examples/orchard/components/variety-card.js';`,
  'testing ts browser': `import { CrateCounter } from '../../../examples/open-day/components/crate-counter.js';`,
  'projects ts': `import { TreeCard } from '../../../examples/framework/components.js';
import { AdoptionPage } from '../../../examples/framework/page.js';
const trees = [] as never[];`,
};
/** Where modules are that a guide imports from beside its own. */
const homes: Readonly<Record<string, string>> = {
  './price-tag.js': '../../../examples/orchard/components/price-tag.js',
  './tasting-table.js': '../../../examples/orchard/components/tasting-table.js',
  './components/index.js': '../../../examples/open-day/components/index.js',
};
/** Where a guide's samples run. */
export type Label = 'ts' | 'ts browser';

/** A guide's samples as one module, in their order; empty where it has none. */
export function samplesOf(guide: string, label: Label): string {
  const text = readFileSync(join(root, `docs/${guide}.md`), 'utf8');
  const blocks = [...text.matchAll(new RegExp(`^\`\`\`${label}(?: page)?\n([\\s\\S]*?)\n\`\`\`$`, 'gm'))];
  const code = blocks.map(([, one]) => one).join('\n');
  if (code === '') return '';
  const imports = new Set<string>();
  // A page's samples say what they import, each for itself.
  const rest = code.replace(/^import .*;$/gm, (line) => {
    imports.add(line.replace(/'(\.[^']+)'/, (_whole, path: string) => `'${homes[path] ?? path}'`));
    return '';
  });
  return `${[given[`${guide} ${label}`] ?? '', ...imports].join('\n')}\n${rest}`;
}
