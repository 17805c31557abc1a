import type { ComponentCore } from 'zesty-lattice/internal/component';
import { sharesOf, withUsed } from 'zesty-lattice/internal/plan';
import { finding, type Problem, placed } from 'zesty-lattice/internal/problem';

/** A component that a module exports. */
interface Known {
  readonly exportName: string;
}

/**
 * Returns a problem for each component that is registered and reads shared data whose providers are not: it would stay as a
 * server wrote it, and nothing in it would work. Says nothing where what is registered cannot be read from the modules.
 */
export function unregisteredProviders(
  components: ReadonlyMap<ComponentCore, Known>,
  texts: Iterable<string>,
): readonly Problem[] {
  const named = registeredNames(texts);
  if (!named || named.size === 0) return [];
  const found = [...components].filter(([, { exportName }]) => named.has(exportName));
  const known = new Set(found.map(([, { exportName }]) => exportName));
  if (known.size < named.size) return [];
  const registered = withUsed(found.map(([core]) => core));
  const problems: Problem[] = [];
  for (const core of registered)
    for (const share of sharesOf(core)) {
      const providers = [...components.keys()].filter((one) => providedNames(one).includes(share));
      const [provider] = providers;
      if (!provider || providers.some((one) => registered.has(one))) continue;
      const facts = { component: core.name, share, tag: provider.name };
      problems.push(placed(finding('provider-unregistered', facts, core.source), core.name));
    }
  return problems;
}

/** Returns the names that modules call `register` with; undefined where one calls it with anything else. */
function registeredNames(texts: Iterable<string>): ReadonlySet<string> | undefined {
  const names = new Set<string>();
  for (const text of texts) {
    if (!/import\s*\{[^}]*\bregister\b[^}]*\}\s*from\s*['"]zesty-lattice\/elements['"]/.test(text)) continue;
    const code = text.replace(/\/\*[\s\S]*?\*\/|(?<![:\w])\/\/.*/g, '');
    for (const [, inside = ''] of code.matchAll(/(?<![\w.$])register\s*\(([^)]*)\)?/g)) {
      const args = inside.replace(/,?\s*\{[\s\S]*$/, '').split(',');
      for (const one of args.map((arg) => arg.trim())) {
        if (one === '') continue;
        if (!/^[A-Za-z_$][\w$]*$/.test(one)) return undefined;
        names.add(one);
      }
    }
  }
  return names;
}

/** Returns the shares that a component provides, as far as they are known without its props. */
function providedNames({ props, provides, state }: ComponentCore): readonly string[] {
  if (!provides) return [];
  try {
    const values = Object.fromEntries(
      props.names.map((name, index) => [name, props.kinds[index]?.settings.fallbackValue]),
    );
    const context = { props: values, state: state?.(values as never) ?? {} };
    return provides(context as never).map(({ share }) => share);
  } catch {
    return [];
  }
}
