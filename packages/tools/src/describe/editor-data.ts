import {
  type AnyComponent,
  type AnyKind,
  attributeOf,
  type ComponentCore,
  componentCore,
  wordsIn,
} from 'zesty-lattice/internal/component';
import { failure } from 'zesty-lattice/internal/problem';
import { notAComponent } from 'zesty-lattice/internal/tree';
import { aboutOf } from './described.js';

/** Data for the completion of HTML (https://github.com/microsoft/vscode-html-languageservice, customData.schema.json), version 1.1. */
export interface EditorData {
  readonly version: 1.1;
  readonly tags: readonly EditorTag[];
}

interface EditorTag {
  readonly name: string;
  readonly description: Markdown;
  readonly attributes: readonly {
    readonly name: string;
    readonly description: Markdown;
    /** `v` for an attribute that is written by its name alone. */
    readonly valueSet?: 'v';
    readonly values?: readonly { readonly name: string }[];
  }[];
}

interface Markdown {
  readonly kind: 'markdown';
  readonly value: string;
}

/**
 * The tags of components, their attributes and words, for editors that complete HTML.
 *
 * @throws LatticeError `component-unknown`
 * @example JSON.stringify(editorData([PriceTag, VarietyCard]))
 */
export function editorData(components: Iterable<AnyComponent>): EditorData {
  const cores = [...components].map((component) => {
    const core = componentCore(component);
    if (!core) throw failure(notAComponent(component));
    return core;
  });
  return { version: 1.1, tags: cores.map(tag) };
}

function tag(core: ComponentCore): EditorTag {
  const { name, props, slots } = core;
  const named = slots.names.map((slot, index) => {
    const about = slots.kinds[index]?.description;
    return `- ${slot === 'default' ? 'what stands between its tags' : `\`slot="${slot}"\``}${about === undefined ? '' : `: ${about}`}`;
  });
  return {
    name,
    description: markdown([aboutOf(core), named.length > 0 ? `Slots:\n\n${named.join('\n')}` : '']),
    attributes: props.names.map((prop, index) => {
      const kind = props.kinds[index] as AnyKind;
      const { rules, settings } = kind;
      const words = wordsIn(kind) ?? [];
      return {
        name: attributeOf(prop),
        description: markdown([
          settings.description ?? '',
          `Takes ${rules.expected}${settings.presence === 'required' ? '; it is needed' : ''}.`,
        ]),
        ...(rules.word === 'flag' && { valueSet: 'v' as const }),
        ...(words.length > 0 && { values: words.map((word) => ({ name: word })) }),
      };
    }),
  };
}

function markdown(parts: readonly string[]): Markdown {
  return { kind: 'markdown', value: parts.filter((part) => part !== '').join('\n\n') };
}
