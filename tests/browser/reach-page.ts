import { component, el } from 'zesty-lattice';
import { componentCore } from '../../packages/lattice/src/component/index.js';
import { ownSheet, scopedSheet } from '../../packages/lattice/src/elements/page-rules.js';

/** The sheets that a page makes of some rules: for a shadow root, and for where there is none. */
export function sheetsOf(styles: string): readonly CSSStyleSheet[] {
  const core = componentCore(component('reach-box', { styles, template: () => el.p('x') }));
  if (!core) return [];
  return [ownSheet(core)(), scopedSheet(core)()];
}

/** What elements outside of the component look like. */
export function looks(): string {
  const of = (one: Element | null): string => {
    const { backgroundColor, color, content, display, margin } = getComputedStyle(one as Element);
    return [color, backgroundColor, content, display, margin].join();
  };
  const outside = ['#outside', '#beside'].map((selector) => document.querySelector(selector));
  return [...outside, document.body, document.documentElement].map(of).join(' | ');
}

Object.assign(window, { sheetsOf, looks });
