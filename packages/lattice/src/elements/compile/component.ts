import type { ComponentCore } from '../../component/index.js';
import { planOf, sharesOf } from '../../plan/index.js';
import { blankSlot } from '../../template/index.js';
import { type Call, Constant, call, FaultsOf, FromDefinition, InPage } from './call.js';
import { Dependencies } from './dependencies.js';
import type { Common, Level } from './level.js';
import { builders } from './nodes/index.js';
import { compiledProp } from './props.js';
import { Anchor, type CountNodes } from './static.js';
import { CompiledView } from './view.js';

/** A component's elements, compiled: what a page needs of them. */
export interface CompiledComponent {
  readonly core: ComponentCore;
  readonly view: CompiledView;
  readonly dependencies: Dependencies;
  readonly props: readonly Readonly<Record<string, unknown>>[];
  /** What its elements do besides showing the template. */
  readonly features: readonly (Call | InPage)[];
  readonly members: readonly (Call | InPage)[];
  /** The components that are elements in it. */
  readonly uses: ReadonlySet<ComponentCore>;
  /** The components in it that have rules and no shadow root of their own. */
  readonly styled: ReadonlySet<ComponentCore>;
  /** Whether some of it stands in the shadow roots of elements in it, which so need the rules for that. */
  readonly fillsOthers: boolean;
}

/** Compiles a component's elements. */
export function compileComponent(core: ComponentCore, count: CountNodes): CompiledComponent {
  const common = commonOf(count);
  const dependencies = new Dependencies();
  const level: Level = { index: 0, component: core, dependencies, use: undefined, accepted: undefined };
  const { content, faults, onFailure } = planOf(core);
  const view = common.view(content.nodes, { level, depth: 0, isSvg: false });
  const part = (key: FromDefinition['key']): FromDefinition => new FromDefinition(core, key);
  const shares = sharesOf(core);
  const hasMethods = Object.keys(core.elementMethods).length > 0;
  const isActing = core.shown !== undefined || hasMethods || takesMore(core);
  const failureView = onFailure && common.view(onFailure.block.nodes, { level, depth: 1, isSvg: false });
  const hasReactions = Object.keys(core.reactions).length > 0;
  const nodeNames = Object.keys(core.nodes);
  const sent = sentOtherwise(core);
  const reflected = core.props.names.filter((_name, index) => core.props.kinds[index]?.settings.reflects);
  const handing = core.slots.names.filter((_name, index) => core.slots.kinds[index]?.hands);
  return {
    core,
    view,
    dependencies,
    props: core.props.names.map((_name, index) => compiledProp(core, index, dependencies)),
    features: [
      ...(nodeNames.length > 0
        ? [call('naming', ...nodeNames.map((name) => [name, core.nodes[name]?.isKeyed ?? false]))]
        : []),
      ...(Object.keys(sent).length > 0 ? [call('sending', new Constant(sent))] : []),
      ...(faults.length > 0
        ? [new InPage(new FaultsOf(faults.map(({ finding }) => finding)), faults[0]?.finding.message)]
        : []),
      ...(common.hasStyles ? [call('restyled')] : []),
      ...(shares.length > 0 ? [call('consuming', ...shares)] : []),
      ...(content.asksForSlots || common.leavesOutBlanks
        ? [call('slotWatch', ...core.slots.names, ...(common.leavesOutBlanks ? [blankSlot] : []))]
        : []),
      ...(handing.length > 0 ? [call('wearing'), call('fillerWatch', ...handing)] : []),
      ...(core.load
        ? [
            call(
              'loading',
              part('load'),
              core.loadTimeOut,
              mentions([core.load], 'state') || undefined,
              core.keepLoaded || undefined,
            ),
          ]
        : []),
      ...(failureView ? [call('failing', failureView, onFailure.fault)] : []),
      isActing ? call('acting') : new InPage(call('acting')),
      ...(mentions(Object.values(core.handlers), 'latest') ? [call('giving')] : []),
      ...(common.hasOutputs && common.hasForms ? [call('outputs')] : []),
      ...(core.provides ? [call('providing', part('provides'))] : []),
      ...(core.field ? [call('fieldFeature', part('field'))] : []),
      ...(core.field?.focuses ? [call('focusing', core.field.focuses)] : []),
      core.connected || hasReactions
        ? call('life', core.connected && part('connected'), hasReactions ? part('reactions') : undefined)
        : new InPage(call('life', part('connected'))),
      ...(Object.keys(core.follows).length > 0 ? [call('followed', new Constant(core.follows))] : []),
      ...(reflected.length > 0 ? [call('reflecting', ...reflected)] : []),
      ...core.props.names.flatMap((name, index) => {
        const { component, slot } = core.props.kinds[index]?.settings.uses ?? {};
        return component ? [call('gathering', name, slot, component.name, ...component.props.names)] : [];
      }),
      ...(core.states ? [call('states', part('states'))] : []),
      ...(core.aria ? [call('aria', part('aria'))] : []),
      ...(core.shown ? [call('showing', part('shown'))] : []),
    ],
    members: [
      shares.length > 0 || core.connected || core.load || hasReactions || isActing
        ? call('leaving')
        : new InPage(call('leaving')),
      common.hasForms || handing.length > 0 ? call('formSafe') : new InPage(call('formSafe')),
      ...(handing.length > 0 ? [call('fillerMembers', ...handing)] : []),
      ...(core.field ? [call('fieldMembers', part('field'))] : []),
      ...(hasMethods ? [call('methods', part('elementMethods'))] : []),
      ...(core.props.kinds.some(({ rules }) => rules.word === 'function') ? [call('takingFunctions')] : []),
    ],
    uses: common.uses,
    styled: common.styled,
    fillsOthers: common.fillsOthers,
  };
}

/** Its events that are sent in another way than usual, each with how. */
function sentOtherwise({ events }: ComponentCore): Readonly<Record<string, object>> {
  return Object.fromEntries(
    Object.entries(events).flatMap(([name, { options }]) => (options ? [[name, options]] : [])),
  );
}

/**
 * Whether a handler may take what only those need that wait for something. It is seen by how it is written, so that pages
 * load none of that for the many that do not.
 */
function takesMore({ connected, handlers, load, reactions }: ComponentCore): boolean {
  const later = load ? [connected, ...Object.values(reactions)] : [];
  return mentions([...Object.values(handlers), ...later], 'change|reload|signal');
}

/** Whether functions may take something by name: it is seen by how they are written. */
function mentions(functions: readonly unknown[], names: string): boolean {
  const named = new RegExp(`\\b(?:${names})\\b|\\.\\.\\.`);
  return functions.some((work) => {
    const text = String(work ?? '');
    const context = /^(?:async\s*)?(?:function\s*)?[\w$]*\s*\(?\s*([^\s,)])/.exec(text)?.[1];
    const isTakenApart = work === undefined || context === undefined || context === '{' || context === '_';
    return !isTakenApart || named.test(text);
  });
}

function commonOf(count: CountNodes): Common {
  const common: Common = {
    next: 1,
    uses: new Set(),
    styled: new Set(),
    fillsOthers: false,
    noted: new Set(),
    hasForms: false,
    hasOutputs: false,
    hasStyles: false,
    leavesOutBlanks: false,
    count,
    nodes(nodes, parent, view, spot) {
      for (const node of nodes) {
        // The line for a kind takes just that kind; TypeScript cannot follow the two through one index.
        (builders[node.kind] as (...args: unknown[]) => void)(node, parent, view, spot);
      }
    },
    /** A view of its own for content that comes and goes. What is dynamic at its start gets a node to start from. */
    view(nodes, spot) {
      const view = new CompiledView(common);
      const [first] = nodes;
      const isFixed = first?.kind === 'element' && typeof first.tag === 'string';
      if (first && !isFixed) view.add(view, new Anchor('mark'));
      common.nodes(nodes, view, view, spot);
      if (view.content.length === 0) view.add(view, new Anchor('mark'));
      return view;
    },
  };
  return common;
}
