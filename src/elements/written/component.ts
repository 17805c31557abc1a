import type { ComponentCore } from '../../component/index.js';
import { draftComponent } from '../draft/component.js';
import type { CountNodes } from '../draft/sketch.js';
import { scopedCss } from '../live/sheets.js';
import { NotWritten, type Sources, Writer } from './writer.js';

/** A component's elements as code: an expression, and the functions of a page's part that it calls. */
export interface WrittenComponent {
  readonly code: string;
  readonly names: readonly string[];
  /** The components that are elements in it. */
  readonly uses: readonly ComponentCore[];
}

/** The bit that stands for whatever is not read by a template, so that those who follow all changes hear of it. */
const rest = 2 ** 30;

/**
 * Writes a component's elements as code that a page runs instead of planning them itself.
 *
 * @throws NotWritten where something in it is known only to a page
 */
export function writeComponent(core: ComponentCore, sources: Sources, count: CountNodes): WrittenComponent {
  const { bits, members, parts, props, styled, uses, view } = draftComponent(core, count);
  const to = new Writer(sources);
  const viewCode = to.view(view);
  const propCodes = props.map((prop) => to.code(prop));
  const partCodes = parts.map((part) => to.code(part)).filter((code) => code !== 'undefined');
  const memberCodes = members.map((member) => to.code(member)).filter((code) => code !== 'undefined');
  const sheets = [
    ...(core.styles === '' ? [] : [to.line(to.call('sheet', JSON.stringify(core.styles)))]),
    ...[...styled].map(
      (one) =>
        sources.scopedSheet(one) ??
        to.line(to.call('sheet', JSON.stringify(scopedCss(one.name, one.styles)))),
    ),
  ];
  if (sheets.length > 0) partCodes.unshift(to.call('styled', ...sheets));
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
  const restBit = core.field || core.provides ? rest : 0;
  const bitOf = Object.fromEntries(
    [...bits.entries()].filter(([name]) => /^(state|slot|shared) /.test(name)),
  );
  const fields = [
    `name: ${JSON.stringify(core.name)}`,
    `props: [${propCodes.join(', ')}]`,
    `bit: (n) => (${JSON.stringify(bitOf)})[n]${restBit === 0 ? '' : ` ?? ${restBit}`}`,
    `view: ${viewCode}`,
    ...(core.state ? [`state: ${to.part(core, 'state')}`] : []),
    ...(hasHandlers ? [`handlers: ${to.part(core, 'handlers')}`] : []),
    ...(partCodes.length > 0 ? [`parts: [${partCodes.join(', ')}]`] : []),
    ...(memberCodes.length > 0 ? [`members: [${memberCodes.join(', ')}]`] : []),
    ...(core.field ? ['isField: true'] : []),
  ];
  const code = `/* @__PURE__ */ (() => { ${to.lines.join(' ')} return { ${fields.join(', ')} }; })()`;
  return { code, names: [...to.names], uses: [...uses] };
}
