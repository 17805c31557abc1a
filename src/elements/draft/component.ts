import type { ComponentCore } from '../../component/index.js';
import { planOf, sharesOf, usesSlots } from '../../tree/index.js';
import type { Instance, Part } from '../live/instance.js';
import { leaving, life } from '../live/life.js';
import { Bits } from './bits.js';
import { draftOf } from './build.js';
import { type Call, call, InPage } from './call.js';
import type { Common, Draft, Scope } from './draft.js';
import { draftProp } from './props.js';
import type { CountNodes } from './sketch.js';

/** A part of a component's definition, such as what it does when it is connected: `key` is its name there. */
export class FromDefinition {
  readonly core: ComponentCore;
  readonly key: 'connected' | 'reactions' | 'provides' | 'field';

  constructor(core: ComponentCore, key: FromDefinition['key']) {
    this.core = core;
    this.key = key;
  }

  /** The function, or the record of them. Each looks for itself when it is called: a component may become another. */
  inPage(): unknown {
    const { core, key } = this;
    const value = core[key];
    if (typeof value === 'function') return (context: never) => (core[key] as typeof value)(context);
    const names = key === 'reactions' ? core.props.names : Object.keys(value ?? {});
    return Object.fromEntries(
      names.map((name) => [
        name,
        // All of its parts are functions, each with arguments of its own.
        (...args: unknown[]) => (core[key] as unknown as Functions)[name]?.(...args),
      ]),
    );
  }
}

type Functions = Readonly<Record<string, ((...args: unknown[]) => unknown) | undefined>>;

/** A component's elements, drafted: what a page needs of them. */
export interface DraftedComponent {
  readonly core: ComponentCore;
  readonly view: Draft;
  readonly bits: Bits;
  readonly props: readonly Readonly<Record<string, unknown>>[];
  /** What its elements do besides showing the template. */
  readonly parts: readonly (Call | InPage)[];
  readonly members: readonly (Call | InPage)[];
  /** The components that are elements in it. */
  readonly uses: ReadonlySet<ComponentCore>;
  /** The components in it that have rules and no shadow root of their own. */
  readonly styled: ReadonlySet<ComponentCore>;
}

/** Drafts a component's elements. */
export function draftComponent(core: ComponentCore, count: CountNodes): DraftedComponent {
  const common: Common = { next: 1, uses: new Set(), styled: new Set(), count };
  const bits = new Bits();
  const scope: Scope = { index: 0, component: core, bits, use: undefined, mark: undefined };
  const { content, faults } = planOf(core);
  const view = draftOf(content, common, { scope, depth: 0, isSvg: false, isOutermost: true });
  const part = (key: FromDefinition['key']): FromDefinition => new FromDefinition(core, key);
  const shares = sharesOf(core);
  const hasReactions = Object.keys(core.reactions).length > 0;
  const handing = core.slots.names.filter((_name, index) => core.slots.kinds[index]?.hands);
  return {
    core,
    view,
    bits,
    props: core.props.names.map((_name, index) => draftProp(core, index, bits)),
    parts: [
      ...(faults.length > 0 ? [new InPage(() => telling(faults), faults[0]?.finding.message)] : []),
      ...(shares.length > 0 ? [call('consuming', ...shares)] : []),
      ...(usesSlots(content) ? [call('slotWatch', ...core.slots.names)] : []),
      ...(core.provides ? [call('providing', part('provides'))] : []),
      ...(core.field ? [call('fieldPart', part('field'))] : []),
      core.connected || hasReactions
        ? call('life', core.connected && part('connected'), hasReactions ? part('reactions') : undefined)
        : new InPage(() => life((context) => core.connected?.(context))),
    ],
    members: [
      shares.length > 0 || core.connected || hasReactions ? call('leaving') : new InPage(leaving),
      ...(handing.length > 0 ? [call('fillerMembers', ...handing)] : []),
      ...(core.field ? [call('fieldMembers', part('field'))] : []),
    ],
    uses: common.uses,
    styled: common.styled,
  };
}

type Faults = ReturnType<typeof planOf>['faults'];

/** Tells what is wrong in a template when it is first shown. */
function telling(faults: Faults): (instance: Instance) => Part {
  return (instance) => ({
    before() {
      for (const { finding } of faults) instance.report(finding);
    },
  });
}
