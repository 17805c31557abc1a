import type { Content } from '../template/node.js';
import type { ElementNode } from '../template/nodes/element.js';
type B = { (attributes: Readonly<Record<string, unknown>>, ...content: Content[]): ElementNode; (...content: Content[]): ElementNode };
export type ElementBuilders = { readonly [tag: string]: B } & { of(tag: unknown, attributes?: Readonly<Record<string, unknown>>, ...content: Content[]): ElementNode };
