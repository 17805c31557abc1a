import { dev, type Finding, problemText } from '../../problem/index.js';
import type { Instance } from './instance.js';

/** What each element has said. */
const said = new WeakMap<Instance, Set<string>>();

/** Says something on the console: during development once, but each time with what was thrown. */
export function say(instance: Instance, text: string, thrown: readonly unknown[]): void {
  if (dev) {
    const all = said.get(instance) ?? new Set();
    said.set(instance, all);
    if (thrown.length === 0 && all.has(text)) return;
    all.add(text);
  }
  console.error(text, ...thrown);
}

/** Says a problem on the console. */
export function report(instance: Instance, found: Finding, ...thrown: readonly unknown[]): void {
  say(instance, problemText({ where: instance.live.name, ...found }), thrown);
}
