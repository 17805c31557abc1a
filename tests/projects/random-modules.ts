import fc from 'fast-check';
import type { Files } from './project.js';

/** How a component is made, exported and registered. */
interface Shape {
  readonly home: number;
  readonly props: string;
  readonly shown: string;
  readonly button: string;
  readonly extra: string;
  readonly handler: string;
  readonly isComposed: boolean;
  readonly isOther: boolean;
  readonly exported: 'named' | 'renamed' | 'default' | 'list' | 'record';
  readonly way: 'direct' | 'barrel' | 'later' | 'taken' | 'then' | 'member';
}

/** Some components over some modules, by the paths of their files; the tags of what the page registers. */
export interface RandomModules {
  readonly files: Files;
  readonly tags: readonly string[];
}

const helpers = `import { calc, el, prop, preset } from 'zesty-lattice';
export const step = 2;
export const words = { crate: 'crate', many: { crates: 'crates' } };
const isLoud = words.crate.length > 3;
export const tone = isLoud ? 'loud' : 'soft';
if (tone === 'loud') words.many.crates = 'CRATES';
export const plural = (n, word) => (n === 1 ? '1 ' + word : n + ' ' + word + 's');
export const timesOf = (input, factor) => calc(input, (n) => n * factor);
export function labelled(input) {
  return calc(input, (n) => plural(n, words.crate));
}
export const numberFrom = (least) => prop.number().where((n) => n >= least, 'is too small').fallback(least);
export const kinds = { label: prop.text().fallback('Crates'), start: numberFrom(1) };
export const moreKinds = (least) => ({ label: prop.text().fallback('More'), start: prop.number().fallback(least) });
export const press = preset(el.button, { type: 'button', class: 'press' });
export default class Units {
  static unit = 'kg';
  static show(n) {
    return n + Units.unit;
  }
}
export const Level = Object.freeze({ Low: 'low', High: 'high' });
export const looks = { styles: 'b { color: rgb(1, 2, 3) }' };
`;

const shapes = fc.record<Shape>({
  home: fc.nat(3),
  props: fc.constantFrom(
    "{ label: prop.text().fallback('Own'), start: prop.number().fallback(5) }",
    '{ ...kinds }',
    'kinds',
    '{ ...moreKinds(2), wide: prop.flag() }',
    '{ label: prop.text().fallback(words.crate), start: numberFrom(3) }',
    '{ label: prop.text().fallback(`${words.many.crates}!`), start: prop.number().fallback(base) }',
  ),
  shown: fc.constantFrom(
    'state.count',
    'calc(state.count, (n) => n * 3)',
    'calc(state.count, (n) => plural(n, words.crate))',
    'timesOf(state.count, 4)',
    'labelled(state.count)',
    'calc(state.count, Units.show)',
    'calc(state.count, own)',
    'calc(state.count, props.label, (n, label) => `${label}/${n}/${tone}`)',
    'phrase`${state.count} of ${timesOf(state.count, 2)}`',
  ),
  button: fc.constantFrom('press', 'el.button', '(isBig ? press : el.button)'),
  extra: fc.constantFrom(
    "''",
    '[1, 2].map((n) => el.i(n))',
    "given(calc(state.count, (n) => n > 5), el.u('many'), el.u('few'))",
    "el.i({ class: ['tone', tone], style: { margin: '1px' } }, Level.High)",
    'el.s(words.many.crates)',
  ),
  handler: fc.constantFrom(
    '({ state }) => ({ count: state.count + step })',
    'async ({ state }) => { await null; return { count: state.count + step }; }',
    '({ state }) => ({ count: own(state.count) })',
  ),
  isComposed: fc.boolean(),
  isOther: fc.boolean(),
  exported: fc.constantFrom('named', 'renamed', 'default', 'list', 'record'),
  way: fc.constantFrom('direct', 'barrel', 'later', 'taken', 'then', 'member'),
});

/** Projects of one to five components, always the same for a seed. */
export function randomModules(numRuns: number, seed: number): readonly RandomModules[] {
  return fc
    .sample(fc.array(shapes, { minLength: 1, maxLength: 5 }), { numRuns, seed })
    .map((all, number) => projectOf(all, number));
}

function projectOf(given: readonly Shape[], number: number): RandomModules {
  const folder = `p${number}`;
  const defaults = new Set<number>();
  // A module has one default; what is in a list or a record is registered out of that.
  const all = given.map((one) => {
    const isTaken = one.exported === 'default' && defaults.has(one.home);
    if (one.exported === 'default') defaults.add(one.home);
    return isTaken ? { ...one, exported: 'named' as const } : one;
  });
  const files: Record<string, string> = { [`${folder}/helpers.js`]: helpers };
  const homes = [...new Set(all.map(({ home }) => home))];
  for (const home of homes) files[`${folder}/m${home}.js`] = moduleOf(all, home, folder);
  files[`${folder}/index.js`] = homes.map((home) => barrelOf(all, home)).join('');
  files[`${folder}/main.js`] = mainOf(all);
  return { files, tags: all.map((_one, at) => `${folder}-c${at}`) };
}

const nameOf = (at: number): string => `C${at}`;
const exportedAs = ({ exported }: Shape, at: number): string =>
  exported === 'renamed' ? `R${at}` : exported === 'default' ? 'default' : nameOf(at);

function moduleOf(all: readonly Shape[], home: number, folder: string): string {
  const own = [...all.entries()].filter(([, one]) => one.home === home);
  // One that stands in another: made before it, here or in a module that comes before.
  const othersOf = (at: number): number | undefined => {
    const [found] = [...all.entries()].filter(([other, one]) => other < at && one.home <= home);
    return all[at]?.isOther ? found?.[0] : undefined;
  };
  const imports = new Set<string>();
  for (const [at] of own) {
    const other = othersOf(at);
    const shape = other === undefined ? undefined : all[other];
    if (other !== undefined && shape && shape.home !== home) {
      const name = exportedAs(shape, other);
      if (shape.exported === 'list')
        imports.add(`import { all as all${shape.home} } from './m${shape.home}.js';`);
      else if (shape.exported === 'record')
        imports.add(`import { kit as kit${shape.home} } from './m${shape.home}.js';`);
      else imports.add(`import { ${name} as ${nameOf(other)} } from './m${shape.home}.js';`);
    }
  }
  const useOf = (other: number): string => {
    const shape = all[other] as Shape;
    if (shape.home === home || !/^(?:list|record)$/.test(shape.exported)) return nameOf(other);
    if (shape.exported === 'record') return `kit${shape.home}.${nameOf(other)}`;
    const inList = [...all.entries()].filter(([, one]) => one.home === shape.home && one.exported === 'list');
    return `all${shape.home}[${inList.findIndex(([at]) => at === other)}]`;
  };
  const body = own.map(([at, shape]) => {
    const other = othersOf(at);
    const inside = other === undefined ? "''" : `${useOf(other)}({ label: 'inner' })`;
    const export_ = shape.exported === 'named' ? 'export ' : '';
    const made = `component('${folder}-c${at}', {
  ${shape.isComposed ? '...looks,' : ''}
  props: ${shape.props},
  state: ({ start }) => ({ count: start }),
  handlers: { add: ${shape.handler} },
  template: ({ props, state, handlers }) => [
    el.b(props.label, ': ', ${shape.shown}),
    ${shape.button}({ type: 'button', on: { click: handlers.add() } }, 'Add'),
    ${shape.extra},
    ${inside},
  ],
})`;
    return shape.exported === 'default'
      ? `const ${nameOf(at)} = ${made};\nexport default ${nameOf(at)};`
      : `${export_}const ${nameOf(at)} = ${made};`;
  });
  const inA = (exported: string): string =>
    own.flatMap(([at, one]) => (one.exported === exported ? [nameOf(at)] : [])).join(', ');
  const renamed = own.flatMap(([at, one]) => (one.exported === 'renamed' ? [`${nameOf(at)} as R${at}`] : []));
  return `import { calc, component, el, given, phrase, prop } from 'zesty-lattice';
import Units, { kinds, labelled, Level, looks, moreKinds, numberFrom, plural, press, step, timesOf, tone, words } from './helpers.js';
${[...imports].join('\n')}
const base = words.crate.length;
const own = (n) => n + base;
const isBig = Level.High === 'high';
${body.join('\n')}
${renamed.length > 0 ? `export { ${renamed.join(', ')} };` : ''}
export const all = [${inA('list')}];
export const kit = { ${inA('record')} };
`;
}

function barrelOf(all: readonly Shape[], home: number): string {
  const own = [...all.entries()].filter(([, one]) => one.home === home);
  const named = own.flatMap(([at, one]) =>
    /^(?:list|record)$/.test(one.exported) ? [] : [`${exportedAs(one, at)} as B${at}`],
  );
  return `export { ${[...named, `all as all${home}`, `kit as kit${home}`].join(', ')} } from './m${home}.js';\n`;
}

function mainOf(all: readonly Shape[]): string {
  const imports = ["import { register } from 'zesty-lattice/elements';"];
  const calls: string[] = [];
  for (const [at, one] of all.entries()) {
    const module = `./m${one.home}.js`;
    const name = exportedAs(one, at);
    if (one.exported === 'list' || one.exported === 'record') {
      const isList = one.exported === 'list';
      const [kind, local] = isList ? ['all', `all${at}`] : ['kit', `kit${at}`];
      const isBarrel = one.way === 'barrel';
      imports.push(
        `import { ${kind}${isBarrel ? one.home : ''} as ${local} } from '${isBarrel ? './index.js' : module}';`,
      );
      const isFirst =
        [...all.entries()].findIndex(
          ([, other]) => other.home === one.home && other.exported === one.exported,
        ) === at;
      if (one.exported === 'record' && one.way === 'member') calls.push(`register(${local}.${nameOf(at)});`);
      else if (isFirst)
        calls.push(isList ? `register(...${local});` : `register(...Object.values(${local}));`);
      else calls.push(isList ? '' : `register(${local}.${nameOf(at)});`);
      continue;
    }
    const local = `L${at}`;
    if (one.way === 'later')
      calls.push(`const { ${name}: ${local} } = await import('${module}');\nregister(${local});`);
    else if (one.way === 'taken') calls.push(`register((await import('${module}')).${name});`);
    else if (one.way === 'then')
      calls.push(`import('${module}').then(({ ${name}: ${local} }) => register(${local}));`);
    else if (one.way === 'member') {
      imports.push(`import * as space${at} from '${module}';`);
      calls.push(`register(space${at}.${name});`);
    } else {
      imports.push(
        one.way === 'barrel'
          ? `import { B${at} as ${local} } from './index.js';`
          : `import { ${name} as ${local} } from '${module}';`,
      );
      calls.push(`register(${local});`);
    }
  }
  return `${imports.join('\n')}\n${calls.filter((one) => one !== '').join('\n')}\n`;
}
