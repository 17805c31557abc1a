import type { ComponentCore } from 'zesty-lattice/internal/component';
import { type DescribedModule, describedIn } from './described.js';

/**
 * A declaration file that gives the elements of components their types: `querySelector('crate-counter')` has its props,
 * and `addEventListener('changed', …)` the event's detail. The types are those of the modules themselves.
 *
 * @example writeFileSync('elements.d.ts', tagTypes([{ path: './crate-counter.js', exports: { CrateCounter } }]))
 */
export function tagTypes(modules: readonly DescribedModule[]): string {
  const all = describedIn(modules);
  const lines = all.map(
    ({ core, exportName, path }) =>
      `    ${JSON.stringify(core.name)}: ${typeOf(core)}<typeof import(${JSON.stringify(path)})${member(exportName)}>;`,
  );
  const names = [...new Set(all.map(({ core }) => typeOf(core)))].sort();
  return `import type { ${names.join(', ')} } from 'zesty-lattice/elements';

declare global {
  interface HTMLElementTagNameMap {
${lines.join('\n')}
  }
}
`;
}

function typeOf({ field }: ComponentCore): string {
  return field ? 'FieldElementOf' : 'ElementOf';
}

function member(exportName: string): string {
  return /^[A-Za-z_$][\w$]*$/.test(exportName) ? `.${exportName}` : `[${JSON.stringify(exportName)}]`;
}
