import { type ComponentCore, perComponent } from '../component/index.js';
import { repeatedSlots } from '../plan/index.js';
import { dev, problemText } from '../problem/index.js';
import { once } from '../template/index.js';
import { compileComponent } from './compile/component.js';
import { countInPage, inPage, viewInPage } from './interpret.js';
import { markupRead } from './page-markup.js';
import { ownSheet, scopedSheet } from './page-rules.js';
import { instanceOf } from './runtime/element.js';
import { type Featured, featured } from './runtime/featured.js';
import type { Live, LiveClass } from './runtime/live.js';
import { looked } from './runtime/page-sheets.js';
import { define } from './runtime/register.js';
import { lending, styled as styledAs } from './runtime/sheets.js';

/** A component's style sheets, each made when the first of its elements asks. */
const ownSheetOf = /* @__PURE__ */ perComponent((core) => once(ownSheet(core)));
const scopedSheetOf = /* @__PURE__ */ perComponent((core) => once(scopedSheet(core)));

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
export function defineInPage(core: ComponentCore, look?: Live['look']): void {
  const live = liveOf(core);
  if (look) live.look = look;
  const { name } = core;
  const known = customElements.get(name) as LiveClass | undefined;
  // Written elements of that name are there.
  if (known && (live.made || (instanceOf in known && !known.isPlanned))) return;
  if (dev) for (const found of repeatedSlots(core)) console.error(problemText({ ...found, where: name }));
  define(live);
}

/** All that were asked for, with their components. */
export function knownLives(): ReadonlyMap<ComponentCore, Live> {
  return lives;
}

/** Makes all of them anew, since some components have become others. */
export function renewLives(): void {
  for (const [core, live] of lives) Object.assign(live, make(core));
}

function make(core: ComponentCore): Live {
  const { dependencies, features, fillsOthers, members, props, styled, uses, view } = compileComponent(
    core,
    countInPage,
  );
  const own = core.styles === '' ? [] : [core];
  const others = [...styled].map(scopedSheetOf);
  return {
    name: core.name,
    props: inPage(props) as Live['props'],
    mask: new Proxy({}, { get: (_none, name) => dependencies.of(String(name)) }),
    view: viewInPage(view),
    state: core.state,
    handlers: core.handlers,
    features: featured(
      styledAs(...own.map(ownSheetOf), ...others),
      ...(fillsOthers ? [lending(...own.map(scopedSheetOf), ...others)] : []),
      looked,
      ...(dev ? [markupRead(core)] : []),
      ...(inPage(features) as Featured['parts']),
    ),
    members: [
      ...(inPage(members) as NonNullable<Live['members']>),
      (made) => {
        made.isPlanned = true;
        for (const one of uses) if (one !== core) defineInPage(one, lives.get(core)?.look);
      },
    ],
    ...(core.field && { root: { delegatesFocus: true } }),
  };
}
