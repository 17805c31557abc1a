import {
  type AnyKind,
  type AnySlotKind,
  attributeOf,
  fallbackOf,
  isMade,
} from 'zesty-lattice/internal/component';
import { aboutOf, type Described, type DescribedModule, describedIn } from './described.js';
import { styleParts, styleProperties } from './style-facts.js';
import { typeText } from './type-text.js';

/** A custom elements manifest (https://github.com/webcomponents/custom-elements-manifest), schema version 2.1.0. */
export interface ElementsManifest {
  readonly schemaVersion: '2.1.0';
  readonly modules: readonly Readonly<Record<string, unknown>>[];
}

/**
 * The components of modules as a custom elements manifest, which editors, catalogues and registries read.
 *
 * @example elementsManifest([{ path: './price-tag.js', exports: await import('./price-tag.js') }])
 */
export function elementsManifest(modules: readonly DescribedModule[]): ElementsManifest {
  const byPath = new Map<string, Described[]>();
  for (const one of describedIn(modules)) byPath.set(one.path, [...(byPath.get(one.path) ?? []), one]);
  return {
    schemaVersion: '2.1.0',
    modules: [...byPath].map(([path, all]) => ({
      kind: 'javascript-module',
      path,
      declarations: all.map(declaration),
      exports: all.flatMap(({ core, exportName }) => [
        { kind: 'js', name: exportName, declaration: { name: exportName, module: path } },
        {
          kind: 'custom-element-definition',
          name: core.name,
          declaration: { name: exportName, module: path },
        },
      ]),
    })),
  };
}

function declaration({ core, exportName }: Described): Readonly<Record<string, unknown>> {
  const { elementMethods, events, name, props, slots } = core;
  const kinds = props.names.map((prop, index) => [prop, props.kinds[index] as AnyKind] as const);
  return {
    kind: 'class',
    name: exportName,
    customElement: true,
    tagName: name,
    ...said(aboutOf(core) || undefined),
    ...old(core.deprecated),
    superclass: { name: 'HTMLElement' },
    attributes: kinds.map(([prop, kind]) => ({
      name: attributeOf(prop),
      fieldName: prop,
      type: { text: typeText(kind) },
      ...defaultAttribute(kind),
      ...said(kind.settings.description),
      ...old(kind.settings.deprecated),
    })),
    members: [
      ...kinds.map(([prop, kind]) => ({
        kind: 'field',
        name: prop,
        type: {
          text: kind.settings.presence === 'optional' ? `${typeText(kind)} | undefined` : typeText(kind),
        },
        ...defaultField(kind),
        ...(kind.settings.reflects && { attribute: attributeOf(prop), reflects: true }),
        ...said(kind.settings.description),
        ...old(kind.settings.deprecated),
        privacy: 'public',
      })),
      ...Object.keys(elementMethods).map((method) => ({
        kind: 'method',
        name: method,
        return: { type: { text: 'Promise<void>' } },
        privacy: 'public',
      })),
    ],
    events: Object.entries(events).map(([event, kind]) => ({
      name: event,
      type: { text: 'CustomEvent' },
      ...said(kind.description),
      ...old(kind.instead),
    })),
    slots: slots.names.map((slot, index) => ({
      name: slot === 'default' ? '' : slot,
      ...said(slotText(slots.kinds[index])),
      ...old(slots.kinds[index]?.instead),
    })),
    cssProperties: styleProperties(core).map((one) => ({
      name: one.name,
      ...(one.fallback !== '' && { default: one.fallback }),
    })),
    cssParts: styleParts(core).map((part) => ({ name: part })),
  };
}

const old = (instead: string | undefined): { readonly deprecated?: string } =>
  instead === undefined ? {} : { deprecated: instead };

/** What a slot is for, and what it passes: the format has no field for that. */
function slotText(kind: AnySlotKind | undefined): string | undefined {
  const passes = kind?.hands && kind.item ? `Passes ${typeText(kind.item)}.` : undefined;
  return [kind?.description, passes].filter(Boolean).join(' ') || undefined;
}

const said = (description: string | undefined): { readonly description?: string } =>
  description === undefined ? {} : { description };

function defaultField(kind: AnyKind): { readonly default?: string } {
  const { fallbackValue, presence } = kind.settings;
  if (presence !== 'fallback' || isMade(fallbackValue)) return {};
  const value = fallbackOf(kind);
  const text = value instanceof Date ? `new Date(${JSON.stringify(value)})` : JSON.stringify(value);
  return text === undefined ? {} : { default: text };
}

/** An attribute's default is its text itself. */
function defaultAttribute(kind: AnyKind): { readonly default?: string } {
  const { fallbackValue, presence } = kind.settings;
  if (presence !== 'fallback' || isMade(fallbackValue)) return {};
  const text = kind.rules.write(fallbackOf(kind));
  return text === null ? {} : { default: text };
}
