import {
  type Attr,
  type Builder,
  builderOf,
  type Content,
  type el,
  type TemplateNode,
  type VoidBuilder,
} from '../template/index.js';

type Length = Attr<number | `${number}` | `${number}%`>;
type Side = Attr<'left' | 'center' | 'right'>;
type Height = Attr<'top' | 'middle' | 'bottom' | 'baseline'>;

interface Cell {
  readonly align?: Side;
  readonly bgcolor?: Attr<string>;
  readonly height?: Length;
  readonly nowrap?: Attr<boolean>;
  readonly valign?: Height;
  readonly width?: Length;
}

/**
 * Attributes that HTML has given up for styles, and that mail programs still need
 * (https://html.spec.whatwg.org/#non-conforming-features).
 */
export interface MailAttributes {
  readonly table: {
    readonly align?: Side;
    readonly bgcolor?: Attr<string>;
    readonly border?: Attr<number | `${number}`>;
    readonly cellpadding?: Attr<number | `${number}`>;
    readonly cellspacing?: Attr<number | `${number}`>;
    readonly height?: Length;
    readonly width?: Length;
  };
  readonly thead: Pick<Cell, 'align' | 'valign'>;
  readonly tbody: Pick<Cell, 'align' | 'valign'>;
  readonly tfoot: Pick<Cell, 'align' | 'valign'>;
  readonly tr: Pick<Cell, 'align' | 'bgcolor' | 'height' | 'valign'>;
  readonly td: Cell;
  readonly th: Cell;
  readonly img: { readonly align?: Side | Height; readonly border?: Attr<number | `${number}`> };
  readonly div: { readonly align?: Side };
  readonly p: { readonly align?: Side };
  readonly h1: { readonly align?: Side };
  readonly h2: { readonly align?: Side };
  readonly h3: { readonly align?: Side };
  readonly h4: { readonly align?: Side };
  readonly hr: {
    readonly align?: Side;
    readonly color?: Attr<string>;
    readonly noshade?: Attr<boolean>;
    readonly size?: Attr<number | `${number}`>;
    readonly width?: Length;
  };
  readonly ul: { readonly type?: Attr<'disc' | 'circle' | 'square'> };
}

type Elements = typeof el;
type TypedBuilder<B, More> =
  B extends Builder<infer Attributes>
    ? (first?: (Attributes & More) | Content, ...content: Content[]) => TemplateNode
    : B extends VoidBuilder<infer Attributes>
      ? (attributes?: Attributes & More) => TemplateNode
      : never;

/** The builders of `mail`: those of `el`, with what mail programs need besides. */
export type MailBuilders = {
  readonly [Tag in keyof MailAttributes]: TypedBuilder<Elements[Tag], MailAttributes[Tag]>;
};

const names: Readonly<Record<keyof MailAttributes, string>> = {
  table: 'align bgcolor border cellpadding cellspacing height width',
  thead: 'align valign',
  tbody: 'align valign',
  tfoot: 'align valign',
  tr: 'align bgcolor height valign',
  td: 'align bgcolor height nowrap valign width',
  th: 'align bgcolor height nowrap valign width',
  img: 'align border',
  div: 'align',
  p: 'align',
  h1: 'align',
  h2: 'align',
  h3: 'align',
  h4: 'align',
  hr: 'align color noshade size width',
  ul: 'type',
};

/**
 * Builders of elements as mail programs need them: those of `el`, which also take the attributes that HTML has given up
 * for styles.
 *
 * @example mail.table({ role: 'presentation', width: 600, cellpadding: 0, cellspacing: 0 }, mail.tr(mail.td({ valign: 'top' }, …)))
 */
export const mail: MailBuilders = Object.fromEntries(
  Object.entries(names).map(([tag, known]) => [tag, builderOf(tag, known.split(' '))]),
) as unknown as MailBuilders;
