import { type ComponentCore, perComponent } from '../component/index.js';
import { failure, finding } from '../problem/index.js';
import { draftComponent } from './draft/component.js';
import { inPage, liveView } from './draft/live-view.js';
import { countInPage } from './draft/sketch.js';
import type { Live } from './live/live.js';
import { define, defined } from './live/register.js';
import { scopedCss, sheet, styled as styledAs } from './live/sheets.js';

const ownSheet = /* @__PURE__ */ perComponent(({ styles }) => sheet(styles));
const scopedSheet = /* @__PURE__ */ perComponent(({ name, styles }) => sheet(scopedCss(name, styles)));

/** Kept by component, also when one becomes another while a page is being developed: classes hold them. */
const lives = new Map<ComponentCore, Live>();

/** What a page needs of a component to have elements of it. */
export function liveOf(core: ComponentCore): Live {
  let live = lives.get(core);
  if (!live) {
    live = make(core);
    lives.set(core, live);
  }
  return live;
}

/** Defines a component's elements, unless a build has written them out and they are defined so. */
export function defineInPage(core: ComponentCore): void {
  const live = liveOf(core);
  if (defined.has(live)) return;
  const { name } = core;
  const known = [...defined].find((one) => one.name === name);
  if (known && !known.made?.isPlanned) return;
  if (customElements.get(name)) throw failure(finding('name-taken', { name }));
  define(live);
}

/** Makes all of them anew, since some components have become others. */
export function renewLives(): void {
  for (const [core, live] of lives) Object.assign(live, make(core));
}

function make(core: ComponentCore): Live {
  const { bits, members, parts, props, styled, uses, view } = draftComponent(core, countInPage);
  const sheets = [...(core.styles === '' ? [] : [ownSheet(core)]), ...[...styled].map(scopedSheet)];
  return {
    name: core.name,
    props: inPage(props) as Live['props'],
    bit: (name) => bits.of(name),
    view: liveView(view),
    state: core.state,
    handlers: core.handlers,
    parts: [styledAs(...sheets), ...(inPage(parts) as NonNullable<Live['parts']>)],
    members: [
      ...(inPage(members) as NonNullable<Live['members']>),
      (made) => {
        made.isPlanned = true;
        for (const one of uses) if (one !== core) defineInPage(one);
      },
    ],
    isField: core.field !== undefined,
  };
}
