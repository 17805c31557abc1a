import {
  type AttributeOf,
  type AttributeTable,
  attributeReads,
  byAttribute,
  type ClassPiece,
  classPrefix,
  ItemPlace,
  type PlanAttribute,
  startsAsAttribute,
} from '../../plan/index.js';
import { type Core, type Report, retryName, styleText } from '../../template/index.js';
import {
  type Call,
  type CalledName,
  CompiledBinding,
  Constant,
  call,
  HandlerArguments,
  Named,
} from './call.js';
import { readsOf } from './dependencies.js';
import type { Level } from './level.js';
import type { StaticElement } from './static.js';
import type { CompiledView } from './view.js';

/** An element's attributes: those that never change are its own from the start, the others are dynamic parts. */
export function buildAttributes(
  attributes: readonly PlanAttribute[],
  element: StaticElement,
  view: CompiledView,
  level: Level,
): void {
  for (const one of attributes) byAttribute(builders, one, element, view, level, attributes);
}

type Building = [element: StaticElement, view: CompiledView, level: Level, all: readonly PlanAttribute[]];

const builders: AttributeTable<Building, void> = {
  fixed({ name, text }, element) {
    element.attributes.set(name, text === true ? '' : text);
  },
  value(one, element, view, level) {
    part(element, one, one.value, putterOf(one, element.tag), view, level);
  },
  class(one, element, view, level) {
    const { prefix, rest } = classPrefix(one.parts);
    if (rest.length > 0)
      part(
        element,
        one,
        call('classes', element.tag, prefix, rest.map(classPart)),
        call('attribute', 'class'),
        view,
        level,
      );
    else if (prefix !== '') element.attributes.set('class', prefix);
  },
  style(one, element, view, level) {
    const { parts } = one;
    if (parts.some(([, { op }]) => op.op !== 'literal')) {
      const ready = parts.map(([name, core]) => [
        name,
        core.op.op === 'literal' ? new Constant(core.op.value) : core,
      ]);
      const reads = readsOf(attributeReads(one), level);
      view.note(reads);
      view.common.hasStyles = true;
      return view.part(
        element,
        call('inlineStyle', call('styles', element.tag, ready), reads, level.index),
        'style',
      );
    }
    const constant = parts.map(([name, { op }]) => [name, op.op === 'literal' && op.value] as const);
    const text = styleText(element.tag, constant, ignore as never, ignore);
    if (text === '') return;
    element.attributes.set('style', text);
    view.common.hasStyles = true;
  },
  listener({ type, handler, args, keys, ways }, element, view, level) {
    // A row's scope is kept in step with what its handlers are called with, also where nothing shows it.
    view.note(readsOf(args, level));
    if (handler === retryName) return view.part(element, call('retrying', type));
    const given = new HandlerArguments(args);
    view.part(
      element,
      keys || ways
        ? call('listenFor', type, handler, given, keys, ways, level.index)
        : call('listen', type, handler, given, level.index),
    );
  },
  property(one, element, view, level) {
    const put = call(/^scroll(?:Top|Left)$/.test(one.name) ? 'scrolled' : 'property', one.name);
    part(element, one, one.value, put, view, level);
  },
  leaving({ classes }, element, view) {
    view.part(element, call('going', classes));
  },
  named({ name, of }, element, view, level) {
    // What a component that dissolves names is nothing that the functions of another reach.
    if (level.use) return;
    if (of) view.note(readsOf([of], level));
    view.part(element, call('named', name, of, of && level.index));
  },
  binding(one, element, view, level, all) {
    const reads = readsOf([one.value], level);
    const [from = [level.index, 0]] = reads;
    view.note(reads);
    const steps = one.path.map((key) =>
      key instanceof ItemPlace ? call('itemPlace', key.list, key.value, key.key) : key,
    );
    const path = steps.length > 0 ? steps : undefined;
    view.part(
      element,
      call('bind', new Named(kindOf(one, element.tag, all)), one.field, one.value, from[1], from[0], path),
    );
  },
  chosen: () => undefined,
  none: () => undefined,
  accepted: () => undefined,
};

const ignore: Report = () => undefined;

/** What a page has to have for a control that is tied to the state. */
function kindOf(
  { control, type }: AttributeOf<'binding'>,
  tag: string,
  all: readonly PlanAttribute[],
): CalledName {
  if (control === 'textarea') return 'written';
  if (control === 'select') return 'chosen';
  // Its type is not known before it is there.
  if (
    tag !== 'input' ||
    all.some(({ key, kind }) => kind === 'accepted' || (key === 'type' && kind === 'value'))
  )
    return 'anyControl';
  if (/^(?:date|datetime-local|month|time|week)$/i.test(type)) return 'dated';
  return ({ checkbox: 'marked', radio: 'picked', file: 'files' } as const)[type.toLowerCase()] ?? 'entered';
}

/** The attribute that a server writes for a property, where there is one. */
function startedAs({ name }: AttributeOf<'property'>, tag: string): string | undefined {
  return startsAsAttribute(tag, name) ? name : undefined;
}

function part(
  element: StaticElement,
  one: PlanAttribute,
  get: Core | Call,
  put: Call,
  view: CompiledView,
  level: Level,
): void {
  const name =
    one.kind === 'property' ? startedAs(one, element.tag) : one.kind === 'value' ? one.name : 'class';
  const reads = readsOf(attributeReads(one), level);
  view.note(reads);
  const [first, ...more] = reads;
  if (more.length === 0 && (!first || first[0] === level.index))
    view.part(element, new CompiledBinding(get, put, first?.[1] ?? 0, level.index), name);
  else view.part(element, call('outerAttribute', get, put, level.index, reads), name);
}

/** What shows one that changes. */
function putterOf({ name, rule }: AttributeOf<'value'>, tag: string): Call {
  if (rule === 'document') return call('attribute', name, new Named('documentHtml'));
  if (rule === 'plain' || rule === 'worded') return call('attribute', name, call(rule, tag, name));
  return call('attribute', name, call('checked', tag, name, rule));
}

function classPart(piece: ClassPiece): unknown {
  if (piece.kind === 'text') return piece.text;
  return [piece.word, piece.when ?? call('always', true)];
}
