import { type AnyKind, fault, fits, settle } from '../../component/index.js';
import { isCore } from '../../template/index.js';
import { fillTest } from '../../tree/index.js';
import { always } from '../live/always.js';
import { attribute, checked, documentHtml, plain, worded } from '../live/attribute.js';
import { bind } from '../live/bind.js';
import type { Attach } from '../live/block.js';
import { changing } from '../live/changing.js';
import { classes, styles } from '../live/class-and-style.js';
import { each } from '../live/each.js';
import { fieldMembers, fieldPart } from '../live/field.js';
import { fillerMembers } from '../live/fillers.js';
import { given } from '../live/given.js';
import { leaving, life } from '../live/life.js';
import { listen } from '../live/listen.js';
import type { LiveKind } from '../live/live.js';
import { property } from '../live/property.js';
import { ready } from '../live/ready.js';
import { consuming, providing } from '../live/shared-data.js';
import { depending, handed } from '../live/slot.js';
import { slotWatch } from '../live/slot-watch.js';
import { text } from '../live/text.js';
import { filling, innerFrame } from '../live/use.js';
import { type View, view } from '../live/view.js';
import { Call, Constant, InPage, Later, type LiveName } from './call.js';
import { FromDefinition } from './component.js';
import { Draft } from './draft.js';
import { FillTest } from './fill-test.js';
import { HandlerArguments } from './nodes/element.js';
import { KindOf } from './props.js';
import { nodesOf } from './sketch.js';

/** What drafts call; written code has more names, for what is a value here. */
const functions: Readonly<Partial<Record<LiveName, unknown>>> = {
  always,
  attribute,
  bind,
  changing,
  checked,
  classes,
  consuming,
  depending,
  documentHtml,
  each,
  fieldMembers,
  fieldPart,
  fillerMembers,
  filling,
  given,
  handed,
  innerFrame,
  leaving,
  life,
  listen,
  plain,
  property,
  providing,
  ready,
  slotWatch,
  styles,
  text,
  worded,
};

const views = new WeakMap<Draft, View>();

/** The view that a draft comes to in a page. */
export function liveView(draft: Draft): View {
  let made = views.get(draft);
  if (!made) {
    made = view(
      () => nodesOf(draft.content),
      draft.steps,
      draft.places.map(({ at, work }) => [at, inPage(work) as Attach]),
    );
    views.set(draft, made);
  }
  return made;
}

/** What a drafted value is in a page. */
export function inPage(drafted: unknown): unknown {
  if (isCore(drafted)) return drafted.get;
  if (drafted instanceof Call) {
    const make = functions[drafted.name] as (...args: unknown[]) => unknown;
    return make(...drafted.args.map(inPage));
  }
  if (drafted instanceof Draft) return liveView(drafted);
  if (drafted instanceof Constant) return drafted.value;
  if (drafted instanceof FromDefinition) return drafted.inPage();
  if (drafted instanceof Later || drafted instanceof InPage || drafted instanceof HandlerArguments)
    return drafted.get();
  if (drafted instanceof FillTest) return { isFilled: fillTest(drafted.fill) };
  if (drafted instanceof KindOf) return liveKind(drafted.kind);
  if (Array.isArray(drafted)) return drafted.map(inPage);
  if (typeof drafted !== 'object' || drafted === null) return drafted;
  return Object.fromEntries(Object.entries(drafted).map(([name, value]) => [name, inPage(value)]));
}

function liveKind(kind: AnyKind): LiveKind {
  return {
    expected: kind.rules.expected,
    read: (text) => kind.rules.read(text),
    fault: (value) => (fits(kind, value) ? undefined : (fault(kind, value) ?? 'does not fit')),
    settle: (value) => settle(kind, value),
  };
}
