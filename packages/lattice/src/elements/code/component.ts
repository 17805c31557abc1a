import { NotWritten } from '../../code/constants.js';
import type { ComponentCore } from '../../component/index.js';
import { scopedRules, shadowRules } from '../../styles/index.js';
import { compileComponent } from '../compile/component.js';
import type { CountNodes } from '../compile/static.js';
import { type Sources, Writer } from './writer.js';

/** A component's elements as code: an expression, and the functions of a page's part that it calls. */
export interface WrittenComponent {
  readonly code: string;
  readonly names: readonly string[];
  /** The components that are elements in it. */
  readonly uses: readonly ComponentCore[];
}

/** The mask that stands for whatever is not read by a template, so that those who follow all changes hear of it. */
const rest = 2 ** 30;

/**
 * Writes a component's elements as code that a page runs instead of planning them itself.
 *
 * @throws NotWritten where something in it is known only to a page
 */
export function writeComponent(core: ComponentCore, sources: Sources, count: CountNodes): WrittenComponent {
  const { dependencies, features, fillsOthers, members, props, styled, uses, view } = compileComponent(
    core,
    count,
  );
  const to = new Writer(sources);
  const viewCode = to.view(view);
  const propCodes = props.map((prop) => to.code(prop));
  const featureCodes = features.map((one) => to.code(one)).filter((code) => code !== 'undefined');
  const memberCodes = members.map((member) => to.code(member)).filter((code) => code !== 'undefined');
  const sheet = (css: string): string => to.line(to.call('sheet', JSON.stringify(css)));
  const own = core.styles === '' ? [] : [core];
  const dissolved = [...styled].map((one) => sources.scopedSheet(one) ?? sheet(scopedRules(one).css));
  if (fillsOthers && own.length + dissolved.length > 0)
    featureCodes.unshift(to.call('lending', ...own.map((one) => sheet(scopedRules(one).css)), ...dissolved));
  if (own.length + dissolved.length > 0)
    featureCodes.unshift(to.call('styled', ...own.map((one) => sheet(shadowRules(one))), ...dissolved));
  const others = [...uses].filter((one) => one !== core);
  const inner = others.map((one) => {
    const code = sources.component(one);
    if (code === undefined)
      throw new NotWritten(`it holds <${one.name}>, which cannot be reached from its module`);
    return code;
  });
  if (inner.length > 0) memberCodes.push(to.call('containing', `() => [${inner.join(', ')}]`));
  const hasHandlers = Object.keys(core.handlers).length > 0;
  // Whoever follows all changes has to hear of those that the template does not read, too.
  const restMask = core.field || core.provides ? rest : 0;
  const maskOf = Object.fromEntries(
    [...dependencies.entries()].filter(([name]) => /^(state |slot |shared |data$)/.test(name)),
  );
  const fields = [
    `name: ${JSON.stringify(core.name)}`,
    `props: [${propCodes.join(', ')}]`,
    `mask: ${restMask === 0 ? JSON.stringify(maskOf) : to.call('masks', JSON.stringify(maskOf), String(restMask))}`,
    `view: ${viewCode}`,
    ...(core.state ? [`state: ${to.part(core, 'state')}`] : []),
    ...(hasHandlers ? [`handlers: ${to.part(core, 'handlers')}`] : []),
    ...(featureCodes.length > 0 ? [`features: ${to.call('featured', ...featureCodes)}`] : []),
    ...(memberCodes.length > 0 ? [`members: [${memberCodes.join(', ')}]`] : []),
    ...(core.field ? ['root: { delegatesFocus: true }'] : []),
  ];
  const code = `/* @__PURE__ */ (() => { ${to.lines.join(' ')} return { ${fields.join(', ')} }; })()`;
  return { code, names: [...to.names], uses: [...uses] };
}
