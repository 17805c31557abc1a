import { el, preset } from 'zesty-lattice';

/**
 * The orchard's own words for its utility classes in `page.css`. Pages say `stack(…)` and `press(…)`, and only
 * this file knows the classes.
 */
export const stack = preset(el.div, { class: 'u-stack' });
export const wideStack = preset(stack, { class: 'u-wide' });
export const row = preset(el.div, { class: 'u-row' });
export const spread = preset(row, { class: 'u-spread' });
export const grid = preset(el.ul, { class: 'u-grid', role: 'list' });
export const panel = preset(el.div, { class: 'u-panel' });
export const press = preset(el.button, { type: 'button', class: 'u-press' });
export const quietPress = preset(press, { class: 'u-quiet-press' });
export const pill = preset(el.span, { class: 'u-pill' });
export const zestPill = preset(pill, { class: 'u-zest' });
export const quiet = preset(el.p, { class: 'u-quiet' });
export const small = preset(el.small, { class: 'u-quiet' });
export const lead = preset(el.p, { class: 'u-lead' });
export const link = preset(el.a, { class: 'u-link' });
