// Made by scripts/generate.mjs from the web standards’ data packages; do not edit.

import type { Attr, CommonAttributes, DocumentHtml, JsonData } from '../template/attributes/types.js';

/** ARIA states and properties (https://www.w3.org/TR/wai-aria-1.2/#state_prop_def). */
export interface AriaAttributes {
  readonly 'aria-activedescendant'?: Attr<string>;
  readonly 'aria-atomic'?: Attr<boolean | 'true' | 'false'>;
  readonly 'aria-autocomplete'?: Attr<'inline' | 'list' | 'both' | 'none'>;
  readonly 'aria-busy'?: Attr<boolean | 'true' | 'false'>;
  readonly 'aria-checked'?: Attr<'mixed' | 'undefined' | boolean | 'true' | 'false'>;
  readonly 'aria-colcount'?: Attr<number | `${number}`>;
  readonly 'aria-colindex'?: Attr<number | `${number}`>;
  readonly 'aria-colspan'?: Attr<number | `${number}`>;
  readonly 'aria-controls'?: Attr<string>;
  readonly 'aria-current'?: Attr<'page' | 'step' | 'location' | 'date' | 'time' | boolean | 'true' | 'false'>;
  readonly 'aria-describedby'?: Attr<string>;
  readonly 'aria-disabled'?: Attr<boolean | 'true' | 'false'>;
  readonly 'aria-errormessage'?: Attr<string>;
  readonly 'aria-expanded'?: Attr<'undefined' | boolean | 'true' | 'false'>;
  readonly 'aria-flowto'?: Attr<string>;
  readonly 'aria-haspopup'?: Attr<'menu' | 'listbox' | 'tree' | 'grid' | 'dialog' | boolean | 'true' | 'false'>;
  readonly 'aria-hidden'?: Attr<boolean | 'true' | 'false'>;
  readonly 'aria-invalid'?: Attr<'grammar' | 'spelling' | boolean | 'true' | 'false'>;
  readonly 'aria-label'?: Attr<string>;
  readonly 'aria-labelledby'?: Attr<string>;
  readonly 'aria-level'?: Attr<number | `${number}`>;
  readonly 'aria-live'?: Attr<'off' | 'polite' | 'assertive'>;
  readonly 'aria-modal'?: Attr<boolean | 'true' | 'false'>;
  readonly 'aria-multiline'?: Attr<boolean | 'true' | 'false'>;
  readonly 'aria-multiselectable'?: Attr<boolean | 'true' | 'false'>;
  readonly 'aria-orientation'?: Attr<'vertical' | 'horizontal' | 'undefined'>;
  readonly 'aria-owns'?: Attr<string>;
  readonly 'aria-placeholder'?: Attr<string>;
  readonly 'aria-posinset'?: Attr<number | `${number}`>;
  readonly 'aria-pressed'?: Attr<'mixed' | 'undefined' | boolean | 'true' | 'false'>;
  readonly 'aria-readonly'?: Attr<boolean | 'true' | 'false'>;
  readonly 'aria-relevant'?: Attr<'additions' | 'removals' | 'text' | 'all' | 'additions text'>;
  readonly 'aria-required'?: Attr<boolean | 'true' | 'false'>;
  readonly 'aria-roledescription'?: Attr<string>;
  readonly 'aria-rowcount'?: Attr<number | `${number}`>;
  readonly 'aria-rowindex'?: Attr<number | `${number}`>;
  readonly 'aria-rowspan'?: Attr<number | `${number}`>;
  readonly 'aria-selected'?: Attr<'undefined' | boolean | 'true' | 'false'>;
  readonly 'aria-setsize'?: Attr<number | `${number}`>;
  readonly 'aria-sort'?: Attr<'ascending' | 'descending' | 'none' | 'other'>;
  readonly 'aria-valuemax'?: Attr<number | `${number}`>;
  readonly 'aria-valuemin'?: Attr<number | `${number}`>;
  readonly 'aria-valuenow'?: Attr<number | `${number}`>;
  readonly 'aria-valuetext'?: Attr<string>;
  readonly 'aria-details'?: Attr<string>;
  readonly 'aria-keyshortcuts'?: Attr<string>;
}

/** Attributes of every HTML element (https://html.spec.whatwg.org/#global-attributes). */
export interface GlobalAttributes extends CommonAttributes, AriaAttributes {}

/** Attributes of every SVG element (https://www.w3.org/TR/SVG2/propidx.html). */
export interface SvgGlobalAttributes extends CommonAttributes, AriaAttributes {
  readonly about?: Attr<string | number>;
  readonly 'alignment-baseline'?: Attr<string | number>;
  readonly 'baseline-shift'?: Attr<string | number>;
  readonly 'clip-path'?: Attr<string | number>;
  readonly 'clip-rule'?: Attr<string | number>;
  readonly color?: Attr<string | number>;
  readonly 'color-interpolation'?: Attr<string | number>;
  readonly 'color-interpolation-filters'?: Attr<string | number>;
  readonly 'color-rendering'?: Attr<string | number>;
  readonly content?: Attr<string | number>;
  readonly cursor?: Attr<string | number>;
  readonly datatype?: Attr<string | number>;
  readonly direction?: Attr<string | number>;
  readonly display?: Attr<string | number>;
  readonly 'dominant-baseline'?: Attr<string | number>;
  readonly fill?: Attr<string | number>;
  readonly 'fill-opacity'?: Attr<string | number>;
  readonly 'fill-rule'?: Attr<string | number>;
  readonly filter?: Attr<string | number>;
  readonly 'flood-color'?: Attr<string | number>;
  readonly 'flood-opacity'?: Attr<string | number>;
  readonly 'font-family'?: Attr<string | number>;
  readonly 'font-size'?: Attr<string | number>;
  readonly 'font-size-adjust'?: Attr<string | number>;
  readonly 'font-stretch'?: Attr<string | number>;
  readonly 'font-style'?: Attr<string | number>;
  readonly 'font-variant'?: Attr<string | number>;
  readonly 'font-weight'?: Attr<string | number>;
  readonly 'glyph-orientation-horizontal'?: Attr<string | number>;
  readonly 'glyph-orientation-vertical'?: Attr<string | number>;
  readonly 'image-rendering'?: Attr<string | number>;
  readonly 'letter-spacing'?: Attr<string | number>;
  readonly 'lighting-color'?: Attr<string | number>;
  readonly 'marker-end'?: Attr<string | number>;
  readonly 'marker-mid'?: Attr<string | number>;
  readonly 'marker-start'?: Attr<string | number>;
  readonly mask?: Attr<string | number>;
  readonly opacity?: Attr<string | number>;
  readonly overflow?: Attr<string | number>;
  readonly 'paint-order'?: Attr<string | number>;
  readonly 'pointer-events'?: Attr<string | number>;
  readonly property?: Attr<string | number>;
  readonly rel?: Attr<string | number>;
  readonly resource?: Attr<string | number>;
  readonly rev?: Attr<string | number>;
  readonly 'shape-rendering'?: Attr<string | number>;
  readonly 'stop-color'?: Attr<string | number>;
  readonly 'stop-opacity'?: Attr<string | number>;
  readonly stroke?: Attr<string | number>;
  readonly 'stroke-dasharray'?: Attr<string | number>;
  readonly 'stroke-dashoffset'?: Attr<string | number>;
  readonly 'stroke-linecap'?: Attr<string | number>;
  readonly 'stroke-linejoin'?: Attr<string | number>;
  readonly 'stroke-miterlimit'?: Attr<string | number>;
  readonly 'stroke-opacity'?: Attr<string | number>;
  readonly 'stroke-width'?: Attr<string | number>;
  readonly 'text-anchor'?: Attr<string | number>;
  readonly 'text-decoration'?: Attr<string | number>;
  readonly 'text-overflow'?: Attr<string | number>;
  readonly 'text-rendering'?: Attr<string | number>;
  readonly transform?: Attr<string | number>;
  readonly typeof?: Attr<string | number>;
  readonly 'unicode-bidi'?: Attr<string | number>;
  readonly 'vector-effect'?: Attr<string | number>;
  readonly visibility?: Attr<string | number>;
  readonly 'white-space'?: Attr<string | number>;
  readonly 'word-spacing'?: Attr<string | number>;
  readonly 'writing-mode'?: Attr<string | number>;
}

export interface BaseAttributes extends GlobalAttributes {
  readonly href?: Attr<string>;
  readonly target?: Attr<'_self' | '_blank' | '_parent' | '_top' | (string & {})>;
}

export interface LinkAttributes extends GlobalAttributes {
  readonly href?: Attr<string>;
  readonly crossorigin?: Attr<'anonymous' | 'use-credentials'>;
  readonly rel?: Attr<string>;
  readonly as?: Attr<string>;
  readonly media?: Attr<string>;
  readonly integrity?: Attr<string>;
  readonly hreflang?: Attr<string>;
  readonly type?: Attr<string>;
  readonly sizes?: Attr<string>;
  readonly imagesrcset?: Attr<string>;
  readonly imagesizes?: Attr<string>;
  readonly referrerpolicy?: Attr<'no-referrer' | 'no-referrer-when-downgrade' | 'origin' | 'origin-when-cross-origin' | 'same-origin' | 'strict-origin' | 'strict-origin-when-cross-origin' | 'unsafe-url'>;
  readonly blocking?: Attr<string>;
  readonly disabled?: Attr<boolean>;
  readonly fetchpriority?: Attr<'high' | 'low' | 'auto'>;
}

export interface MetaAttributes extends GlobalAttributes {
  readonly name?: Attr<string>;
  readonly 'http-equiv'?: Attr<string>;
  readonly content?: Attr<string>;
  readonly media?: Attr<string>;
  readonly charset?: Attr<string>;
  readonly property?: Attr<string>;
}

export interface StyleAttributes extends GlobalAttributes {
  readonly media?: Attr<string>;
  readonly blocking?: Attr<string>;
}

export interface BlockquoteAttributes extends GlobalAttributes {
  readonly cite?: Attr<string>;
}

export interface OlAttributes extends GlobalAttributes {
  readonly reversed?: Attr<boolean>;
  readonly start?: Attr<number | `${number}`>;
  readonly type?: Attr<'1' | 'a' | 'A' | 'i' | 'I'>;
}

export interface LiAttributes extends GlobalAttributes {
  readonly value?: Attr<number>;
}

export interface AAttributes extends GlobalAttributes {
  readonly download?: Attr<boolean | string>;
  readonly ping?: Attr<string>;
  readonly rel?: Attr<string>;
  readonly referrerpolicy?: Attr<'no-referrer' | 'no-referrer-when-downgrade' | 'origin' | 'origin-when-cross-origin' | 'same-origin' | 'strict-origin' | 'strict-origin-when-cross-origin' | 'unsafe-url'>;
  readonly hreflang?: Attr<string>;
  readonly type?: Attr<string>;
  readonly href?: Attr<string>;
  readonly target?: Attr<'_self' | '_blank' | '_parent' | '_top' | (string & {})>;
}

export interface QAttributes extends GlobalAttributes {
  readonly cite?: Attr<string>;
}

export interface DataAttributes extends GlobalAttributes {
  readonly value?: Attr<string>;
}

export interface TimeAttributes extends GlobalAttributes {
  readonly datetime?: Attr<string>;
}

export interface InsAttributes extends GlobalAttributes {
  readonly cite?: Attr<string>;
  readonly datetime?: Attr<string>;
}

export interface DelAttributes extends GlobalAttributes {
  readonly cite?: Attr<string>;
  readonly datetime?: Attr<string>;
}

export interface SourceAttributes extends GlobalAttributes {
  readonly src?: Attr<string>;
  readonly type?: Attr<string>;
  readonly srcset?: Attr<string>;
  readonly sizes?: Attr<string>;
  readonly media?: Attr<string>;
  readonly width?: Attr<number | `${number}`>;
  readonly height?: Attr<number | `${number}`>;
}

export interface ImgAttributes extends GlobalAttributes {
  readonly alt?: Attr<string>;
  readonly src?: Attr<string>;
  readonly srcset?: Attr<string>;
  readonly sizes?: Attr<string>;
  readonly crossorigin?: Attr<'anonymous' | 'use-credentials'>;
  readonly usemap?: Attr<string>;
  readonly ismap?: Attr<boolean>;
  readonly controls?: Attr<boolean>;
  readonly width?: Attr<number | `${number}`>;
  readonly height?: Attr<number | `${number}`>;
  readonly referrerpolicy?: Attr<'no-referrer' | 'no-referrer-when-downgrade' | 'origin' | 'origin-when-cross-origin' | 'same-origin' | 'strict-origin' | 'strict-origin-when-cross-origin' | 'unsafe-url'>;
  readonly decoding?: Attr<'sync' | 'async' | 'auto'>;
  readonly loading?: Attr<'eager' | 'lazy'>;
  readonly fetchpriority?: Attr<'high' | 'low' | 'auto'>;
}

export interface IframeAttributes extends GlobalAttributes {
  readonly src?: Attr<string>;
  readonly srcdoc?: DocumentHtml;
  readonly name?: Attr<string>;
  readonly sandbox?: Attr<string>;
  readonly allow?: Attr<string>;
  readonly allowfullscreen?: Attr<boolean>;
  readonly width?: Attr<string>;
  readonly height?: Attr<string>;
  readonly referrerpolicy?: Attr<'no-referrer' | 'no-referrer-when-downgrade' | 'origin' | 'origin-when-cross-origin' | 'same-origin' | 'strict-origin' | 'strict-origin-when-cross-origin' | 'unsafe-url'>;
  readonly loading?: Attr<'eager' | 'lazy'>;
}

export interface EmbedAttributes extends GlobalAttributes {
  readonly src?: Attr<string>;
  readonly type?: Attr<string>;
  readonly width?: Attr<string>;
  readonly height?: Attr<string>;
}

export interface ObjectAttributes extends GlobalAttributes {
  readonly data?: Attr<string>;
  readonly type?: Attr<string>;
  readonly name?: Attr<string>;
  readonly width?: Attr<string>;
  readonly height?: Attr<string>;
  readonly form?: Attr<string>;
}

export interface VideoAttributes extends GlobalAttributes {
  readonly width?: Attr<number | `${number}`>;
  readonly height?: Attr<number | `${number}`>;
  readonly poster?: Attr<string>;
  readonly playsinline?: Attr<boolean>;
  readonly src?: Attr<string>;
  readonly crossorigin?: Attr<'anonymous' | 'use-credentials'>;
  readonly preload?: Attr<'none' | 'metadata' | 'auto'>;
  readonly autoplay?: Attr<boolean>;
  readonly loop?: Attr<boolean>;
  readonly controls?: Attr<boolean>;
  readonly muted?: Attr<boolean>;
  readonly loading?: Attr<'eager' | 'lazy'>;
}

export interface AudioAttributes extends GlobalAttributes {
  readonly src?: Attr<string>;
  readonly crossorigin?: Attr<'anonymous' | 'use-credentials'>;
  readonly preload?: Attr<'none' | 'metadata' | 'auto'>;
  readonly autoplay?: Attr<boolean>;
  readonly loop?: Attr<boolean>;
  readonly controls?: Attr<boolean>;
  readonly muted?: Attr<boolean>;
  readonly loading?: Attr<'eager' | 'lazy'>;
}

export interface TrackAttributes extends GlobalAttributes {
  readonly kind?: Attr<'subtitles' | 'captions' | 'descriptions' | 'chapters' | 'metadata'>;
  readonly src?: Attr<string>;
  readonly srclang?: Attr<string>;
  readonly label?: Attr<string>;
  readonly default?: Attr<boolean>;
}

export interface MapAttributes extends GlobalAttributes {
  readonly name?: Attr<string>;
}

export interface AreaAttributes extends GlobalAttributes {
  readonly alt?: Attr<string>;
  readonly coords?: Attr<string>;
  readonly shape?: Attr<'circle' | 'default' | 'poly' | 'rect'>;
  readonly download?: Attr<boolean | string>;
  readonly ping?: Attr<string>;
  readonly rel?: Attr<string>;
  readonly referrerpolicy?: Attr<'no-referrer' | 'no-referrer-when-downgrade' | 'origin' | 'origin-when-cross-origin' | 'same-origin' | 'strict-origin' | 'strict-origin-when-cross-origin' | 'unsafe-url'>;
  readonly hreflang?: Attr<string>;
  readonly type?: Attr<string>;
  readonly href?: Attr<string>;
  readonly target?: Attr<'_self' | '_blank' | '_parent' | '_top' | (string & {})>;
}

export interface TableAttributes extends GlobalAttributes {
  readonly caption?: Attr<string>;
  readonly thead?: Attr<string>;
  readonly tfoot?: Attr<string>;
}

export interface ColgroupAttributes extends GlobalAttributes {
  readonly span?: Attr<number | `${number}`>;
}

export interface ColAttributes extends GlobalAttributes {
  readonly span?: Attr<number | `${number}`>;
}

export interface TdAttributes extends GlobalAttributes {
  readonly colspan?: Attr<number | `${number}`>;
  readonly rowspan?: Attr<number | `${number}`>;
  readonly headers?: Attr<string>;
}

export interface ThAttributes extends GlobalAttributes {
  readonly colspan?: Attr<number | `${number}`>;
  readonly rowspan?: Attr<number | `${number}`>;
  readonly headers?: Attr<string>;
  readonly scope?: Attr<'row' | 'col' | 'rowgroup' | 'colgroup'>;
  readonly abbr?: Attr<string>;
}

export interface FormAttributes extends GlobalAttributes {
  readonly 'accept-charset'?: Attr<string>;
  readonly action?: Attr<string>;
  readonly autocomplete?: Attr<'on' | 'off'>;
  readonly enctype?: Attr<'application/x-www-form-urlencoded' | 'multipart/form-data' | 'text/plain'>;
  readonly method?: Attr<'get' | 'post' | 'dialog'>;
  readonly name?: Attr<string>;
  readonly novalidate?: Attr<boolean>;
  readonly target?: Attr<'_self' | '_blank' | '_parent' | '_top' | (string & {})>;
  readonly rel?: Attr<string>;
}

export interface LabelAttributes extends GlobalAttributes {
  readonly for?: Attr<string>;
}

export interface InputAttributes extends GlobalAttributes {
  readonly accept?: Attr<string>;
  readonly alpha?: Attr<boolean>;
  readonly alt?: Attr<string>;
  readonly autocomplete?: Attr<'additional-name' | 'address-level1' | 'address-level2' | 'address-level3' | 'address-level4' | 'address-line1' | 'address-line2' | 'address-line3' | 'bday' | 'bday-year' | 'bday-day' | 'bday-month' | 'billing' | 'cc-additional-name' | 'cc-csc' | 'cc-exp' | 'cc-exp-month' | 'cc-exp-year' | 'cc-family-name' | 'cc-given-name' | 'cc-name' | 'cc-number' | 'cc-type' | 'country' | 'country-name' | 'current-password' | 'email' | 'family-name' | 'fax' | 'given-name' | 'home' | 'honorific-prefix' | 'honorific-suffix' | 'impp' | 'language' | 'mobile' | 'name' | 'new-password' | 'nickname' | 'off' | 'on' | 'organization' | 'organization-title' | 'pager' | 'photo' | 'postal-code' | 'sex' | 'shipping' | 'street-address' | 'tel-area-code' | 'tel' | 'tel-country-code' | 'tel-extension' | 'tel-local' | 'tel-local-prefix' | 'tel-local-suffix' | 'tel-national' | 'transaction-amount' | 'transaction-currency' | 'url' | 'username' | 'work' | (string & {})>;
  readonly checked?: Attr<boolean>;
  readonly colorspace?: Attr<string>;
  readonly dirname?: Attr<string>;
  readonly disabled?: Attr<boolean>;
  readonly formaction?: Attr<string>;
  readonly formenctype?: Attr<'application/x-www-form-urlencoded' | 'multipart/form-data' | 'text/plain'>;
  readonly formmethod?: Attr<'get' | 'post'>;
  readonly formnovalidate?: Attr<boolean>;
  readonly formtarget?: Attr<string>;
  readonly height?: Attr<number | `${number}`>;
  readonly max?: Attr<string | number>;
  readonly maxlength?: Attr<number | `${number}`>;
  readonly min?: Attr<string | number>;
  readonly minlength?: Attr<number | `${number}`>;
  readonly multiple?: Attr<boolean>;
  readonly name?: Attr<string>;
  readonly pattern?: Attr<string>;
  readonly placeholder?: Attr<string>;
  readonly readonly?: Attr<boolean>;
  readonly required?: Attr<boolean>;
  readonly size?: Attr<number | `${number}`>;
  readonly src?: Attr<string>;
  readonly step?: Attr<string | number>;
  readonly type?: Attr<'hidden' | 'text' | 'search' | 'tel' | 'url' | 'email' | 'password' | 'date' | 'month' | 'week' | 'time' | 'datetime-local' | 'number' | 'range' | 'color' | 'checkbox' | 'radio' | 'file' | 'submit' | 'image' | 'reset' | 'button'>;
  readonly value?: Attr<string | number>;
  readonly width?: Attr<number | `${number}`>;
  readonly popovertarget?: Attr<string>;
  readonly popovertargetaction?: Attr<'toggle' | 'show' | 'hide'>;
  readonly form?: Attr<string>;
  readonly list?: Attr<string>;
}

export interface ButtonAttributes extends GlobalAttributes {
  readonly command?: Attr<string>;
  readonly commandfor?: Attr<string>;
  readonly disabled?: Attr<boolean>;
  readonly formaction?: Attr<string>;
  readonly formenctype?: Attr<'application/x-www-form-urlencoded' | 'multipart/form-data' | 'text/plain'>;
  readonly formmethod?: Attr<'get' | 'post'>;
  readonly formnovalidate?: Attr<boolean>;
  readonly formtarget?: Attr<string>;
  readonly name?: Attr<string>;
  readonly type?: Attr<'button' | 'submit' | 'reset'>;
  readonly value?: Attr<string>;
  readonly popovertarget?: Attr<string>;
  readonly popovertargetaction?: Attr<'toggle' | 'show' | 'hide'>;
  readonly form?: Attr<string>;
}

export interface SelectAttributes extends GlobalAttributes {
  readonly autocomplete?: Attr<'additional-name' | 'address-level1' | 'address-level2' | 'address-level3' | 'address-level4' | 'address-line1' | 'address-line2' | 'address-line3' | 'bday' | 'bday-year' | 'bday-day' | 'bday-month' | 'billing' | 'cc-additional-name' | 'cc-csc' | 'cc-exp' | 'cc-exp-month' | 'cc-exp-year' | 'cc-family-name' | 'cc-given-name' | 'cc-name' | 'cc-number' | 'cc-type' | 'country' | 'country-name' | 'current-password' | 'email' | 'family-name' | 'fax' | 'given-name' | 'home' | 'honorific-prefix' | 'honorific-suffix' | 'impp' | 'language' | 'mobile' | 'name' | 'new-password' | 'nickname' | 'off' | 'on' | 'organization' | 'organization-title' | 'pager' | 'photo' | 'postal-code' | 'sex' | 'shipping' | 'street-address' | 'tel-area-code' | 'tel' | 'tel-country-code' | 'tel-extension' | 'tel-local' | 'tel-local-prefix' | 'tel-local-suffix' | 'tel-national' | 'transaction-amount' | 'transaction-currency' | 'url' | 'username' | 'work' | (string & {})>;
  readonly disabled?: Attr<boolean>;
  readonly multiple?: Attr<boolean>;
  readonly name?: Attr<string>;
  readonly required?: Attr<boolean>;
  readonly size?: Attr<number | `${number}`>;
  readonly value?: Attr<string>;
  readonly form?: Attr<string>;
}

export interface OptgroupAttributes extends GlobalAttributes {
  readonly disabled?: Attr<boolean>;
  readonly label?: Attr<string>;
}

export interface OptionAttributes extends GlobalAttributes {
  readonly disabled?: Attr<boolean>;
  readonly label?: Attr<string>;
  readonly selected?: Attr<boolean>;
  readonly value?: Attr<string>;
}

export interface TextareaAttributes extends GlobalAttributes {
  readonly autocomplete?: Attr<'additional-name' | 'address-level1' | 'address-level2' | 'address-level3' | 'address-level4' | 'address-line1' | 'address-line2' | 'address-line3' | 'bday' | 'bday-year' | 'bday-day' | 'bday-month' | 'billing' | 'cc-additional-name' | 'cc-csc' | 'cc-exp' | 'cc-exp-month' | 'cc-exp-year' | 'cc-family-name' | 'cc-given-name' | 'cc-name' | 'cc-number' | 'cc-type' | 'country' | 'country-name' | 'current-password' | 'email' | 'family-name' | 'fax' | 'given-name' | 'home' | 'honorific-prefix' | 'honorific-suffix' | 'impp' | 'language' | 'mobile' | 'name' | 'new-password' | 'nickname' | 'off' | 'on' | 'organization' | 'organization-title' | 'pager' | 'photo' | 'postal-code' | 'sex' | 'shipping' | 'street-address' | 'tel-area-code' | 'tel' | 'tel-country-code' | 'tel-extension' | 'tel-local' | 'tel-local-prefix' | 'tel-local-suffix' | 'tel-national' | 'transaction-amount' | 'transaction-currency' | 'url' | 'username' | 'work' | (string & {})>;
  readonly cols?: Attr<number | `${number}`>;
  readonly dirname?: Attr<string>;
  readonly disabled?: Attr<boolean>;
  readonly maxlength?: Attr<number | `${number}`>;
  readonly minlength?: Attr<number | `${number}`>;
  readonly name?: Attr<string>;
  readonly placeholder?: Attr<string>;
  readonly readonly?: Attr<boolean>;
  readonly required?: Attr<boolean>;
  readonly rows?: Attr<number | `${number}`>;
  readonly wrap?: Attr<'soft' | 'hard'>;
  readonly value?: Attr<string>;
  readonly form?: Attr<string>;
}

export interface OutputAttributes extends GlobalAttributes {
  readonly for?: Attr<string>;
  readonly name?: Attr<string>;
  readonly value?: Attr<string>;
  readonly form?: Attr<string>;
}

export interface ProgressAttributes extends GlobalAttributes {
  readonly value?: Attr<number>;
  readonly max?: Attr<number>;
}

export interface MeterAttributes extends GlobalAttributes {
  readonly value?: Attr<number | `${number}`>;
  readonly min?: Attr<number | `${number}`>;
  readonly max?: Attr<number | `${number}`>;
  readonly low?: Attr<number | `${number}`>;
  readonly high?: Attr<number | `${number}`>;
  readonly optimum?: Attr<number | `${number}`>;
}

export interface FieldsetAttributes extends GlobalAttributes {
  readonly disabled?: Attr<boolean>;
  readonly name?: Attr<string>;
  readonly form?: Attr<string>;
}

export interface DetailsAttributes extends GlobalAttributes {
  readonly name?: Attr<string>;
  readonly open?: Attr<boolean>;
}

export interface DialogAttributes extends GlobalAttributes {
  readonly open?: Attr<boolean>;
  readonly closedby?: Attr<string>;
}

export interface ScriptAttributes extends GlobalAttributes {
  readonly type?: Attr<string>;
  readonly src?: Attr<string>;
  readonly nomodule?: Attr<boolean>;
  readonly async?: Attr<boolean>;
  readonly defer?: Attr<boolean>;
  readonly blocking?: Attr<string>;
  readonly crossorigin?: Attr<'anonymous' | 'use-credentials'>;
  readonly referrerpolicy?: Attr<'no-referrer' | 'no-referrer-when-downgrade' | 'origin' | 'origin-when-cross-origin' | 'same-origin' | 'strict-origin' | 'strict-origin-when-cross-origin' | 'unsafe-url'>;
  readonly integrity?: Attr<string>;
  readonly fetchpriority?: Attr<'high' | 'low' | 'auto'>;
  readonly json?: JsonData;
}

export interface TemplateAttributes extends GlobalAttributes {
  readonly for?: Attr<string>;
  readonly shadowrootmode?: Attr<string>;
  readonly shadowrootdelegatesfocus?: Attr<boolean>;
  readonly shadowrootserializable?: Attr<boolean>;
  readonly shadowrootslotassignment?: Attr<string>;
  readonly shadowrootclonable?: Attr<boolean>;
  readonly shadowrootcustomelementregistry?: Attr<string>;
}

export interface SlotAttributes extends GlobalAttributes {
  readonly name?: Attr<string>;
}

export interface CanvasAttributes extends GlobalAttributes {
  readonly width?: Attr<number | `${number}`>;
  readonly height?: Attr<number | `${number}`>;
}

export interface AnimateAttributes extends SvgGlobalAttributes {
  readonly accumulate?: Attr<string | number>;
  readonly additive?: Attr<string | number>;
  readonly attributeName?: Attr<string | number>;
  readonly attributeType?: Attr<string | number>;
  readonly begin?: Attr<string | number>;
  readonly by?: Attr<string | number>;
  readonly calcMode?: Attr<string | number>;
  readonly clip?: Attr<string | number>;
  readonly 'color-profile'?: Attr<string | number>;
  readonly dur?: Attr<string | number>;
  readonly 'enable-background'?: Attr<string | number>;
  readonly end?: Attr<string | number>;
  readonly externalResourcesRequired?: Attr<string | number>;
  readonly from?: Attr<string | number>;
  readonly href?: Attr<string | number>;
  readonly kerning?: Attr<string | number>;
  readonly keySplines?: Attr<string | number>;
  readonly keyTimes?: Attr<string | number>;
  readonly max?: Attr<string | number>;
  readonly min?: Attr<string | number>;
  readonly repeatCount?: Attr<string | number>;
  readonly repeatDur?: Attr<string | number>;
  readonly requiredExtensions?: Attr<string | number>;
  readonly requiredFeatures?: Attr<string | number>;
  readonly requiredFonts?: Attr<string | number>;
  readonly requiredFormats?: Attr<string | number>;
  readonly restart?: Attr<string | number>;
  readonly systemLanguage?: Attr<string | number>;
  readonly to?: Attr<string | number>;
  readonly values?: Attr<string | number>;
}

export interface AnimateMotionAttributes extends SvgGlobalAttributes {
  readonly accumulate?: Attr<string | number>;
  readonly additive?: Attr<string | number>;
  readonly begin?: Attr<string | number>;
  readonly by?: Attr<string | number>;
  readonly calcMode?: Attr<string | number>;
  readonly dur?: Attr<string | number>;
  readonly end?: Attr<string | number>;
  readonly externalResourcesRequired?: Attr<string | number>;
  readonly from?: Attr<string | number>;
  readonly href?: Attr<string | number>;
  readonly keyPoints?: Attr<string | number>;
  readonly keySplines?: Attr<string | number>;
  readonly keyTimes?: Attr<string | number>;
  readonly max?: Attr<string | number>;
  readonly min?: Attr<string | number>;
  readonly origin?: Attr<string | number>;
  readonly path?: Attr<string | number>;
  readonly repeatCount?: Attr<string | number>;
  readonly repeatDur?: Attr<string | number>;
  readonly requiredExtensions?: Attr<string | number>;
  readonly requiredFeatures?: Attr<string | number>;
  readonly requiredFonts?: Attr<string | number>;
  readonly requiredFormats?: Attr<string | number>;
  readonly restart?: Attr<string | number>;
  readonly rotate?: Attr<string | number>;
  readonly systemLanguage?: Attr<string | number>;
  readonly to?: Attr<string | number>;
  readonly values?: Attr<string | number>;
}

export interface AnimateTransformAttributes extends SvgGlobalAttributes {
  readonly accumulate?: Attr<string | number>;
  readonly additive?: Attr<string | number>;
  readonly attributeName?: Attr<string | number>;
  readonly attributeType?: Attr<string | number>;
  readonly begin?: Attr<string | number>;
  readonly by?: Attr<string | number>;
  readonly calcMode?: Attr<string | number>;
  readonly dur?: Attr<string | number>;
  readonly end?: Attr<string | number>;
  readonly externalResourcesRequired?: Attr<string | number>;
  readonly from?: Attr<string | number>;
  readonly href?: Attr<string | number>;
  readonly keySplines?: Attr<string | number>;
  readonly keyTimes?: Attr<string | number>;
  readonly max?: Attr<string | number>;
  readonly min?: Attr<string | number>;
  readonly repeatCount?: Attr<string | number>;
  readonly repeatDur?: Attr<string | number>;
  readonly requiredExtensions?: Attr<string | number>;
  readonly requiredFeatures?: Attr<string | number>;
  readonly requiredFonts?: Attr<string | number>;
  readonly requiredFormats?: Attr<string | number>;
  readonly restart?: Attr<string | number>;
  readonly systemLanguage?: Attr<string | number>;
  readonly to?: Attr<string | number>;
  readonly type?: Attr<string | number>;
  readonly values?: Attr<string | number>;
}

export interface CircleAttributes extends SvgGlobalAttributes {
  readonly clip?: Attr<string | number>;
  readonly 'color-profile'?: Attr<string | number>;
  readonly cx?: Attr<string | number>;
  readonly cy?: Attr<string | number>;
  readonly 'enable-background'?: Attr<string | number>;
  readonly externalResourcesRequired?: Attr<string | number>;
  readonly focusable?: Attr<string | number>;
  readonly focusHighlight?: Attr<string | number>;
  readonly kerning?: Attr<string | number>;
  readonly 'nav-down'?: Attr<string | number>;
  readonly 'nav-down-left'?: Attr<string | number>;
  readonly 'nav-down-right'?: Attr<string | number>;
  readonly 'nav-left'?: Attr<string | number>;
  readonly 'nav-next'?: Attr<string | number>;
  readonly 'nav-prev'?: Attr<string | number>;
  readonly 'nav-right'?: Attr<string | number>;
  readonly 'nav-up'?: Attr<string | number>;
  readonly 'nav-up-left'?: Attr<string | number>;
  readonly 'nav-up-right'?: Attr<string | number>;
  readonly pathLength?: Attr<string | number>;
  readonly r?: Attr<string | number>;
  readonly requiredExtensions?: Attr<string | number>;
  readonly requiredFeatures?: Attr<string | number>;
  readonly requiredFonts?: Attr<string | number>;
  readonly requiredFormats?: Attr<string | number>;
  readonly systemLanguage?: Attr<string | number>;
}

export interface ClipPathAttributes extends SvgGlobalAttributes {
  readonly clip?: Attr<string | number>;
  readonly clipPathUnits?: Attr<string | number>;
  readonly 'color-profile'?: Attr<string | number>;
  readonly 'enable-background'?: Attr<string | number>;
  readonly externalResourcesRequired?: Attr<string | number>;
  readonly kerning?: Attr<string | number>;
  readonly requiredExtensions?: Attr<string | number>;
  readonly requiredFeatures?: Attr<string | number>;
  readonly systemLanguage?: Attr<string | number>;
}

export interface DefsAttributes extends SvgGlobalAttributes {
  readonly clip?: Attr<string | number>;
  readonly 'color-profile'?: Attr<string | number>;
  readonly 'enable-background'?: Attr<string | number>;
  readonly externalResourcesRequired?: Attr<string | number>;
  readonly kerning?: Attr<string | number>;
  readonly requiredExtensions?: Attr<string | number>;
  readonly requiredFeatures?: Attr<string | number>;
  readonly systemLanguage?: Attr<string | number>;
}

export interface DescAttributes extends SvgGlobalAttributes {
  readonly requiredExtensions?: Attr<string | number>;
  readonly requiredFeatures?: Attr<string | number>;
  readonly requiredFonts?: Attr<string | number>;
  readonly requiredFormats?: Attr<string | number>;
  readonly systemLanguage?: Attr<string | number>;
}

export interface EllipseAttributes extends SvgGlobalAttributes {
  readonly clip?: Attr<string | number>;
  readonly 'color-profile'?: Attr<string | number>;
  readonly cx?: Attr<string | number>;
  readonly cy?: Attr<string | number>;
  readonly 'enable-background'?: Attr<string | number>;
  readonly externalResourcesRequired?: Attr<string | number>;
  readonly focusable?: Attr<string | number>;
  readonly focusHighlight?: Attr<string | number>;
  readonly kerning?: Attr<string | number>;
  readonly 'nav-down'?: Attr<string | number>;
  readonly 'nav-down-left'?: Attr<string | number>;
  readonly 'nav-down-right'?: Attr<string | number>;
  readonly 'nav-left'?: Attr<string | number>;
  readonly 'nav-next'?: Attr<string | number>;
  readonly 'nav-prev'?: Attr<string | number>;
  readonly 'nav-right'?: Attr<string | number>;
  readonly 'nav-up'?: Attr<string | number>;
  readonly 'nav-up-left'?: Attr<string | number>;
  readonly 'nav-up-right'?: Attr<string | number>;
  readonly pathLength?: Attr<string | number>;
  readonly requiredExtensions?: Attr<string | number>;
  readonly requiredFeatures?: Attr<string | number>;
  readonly requiredFonts?: Attr<string | number>;
  readonly requiredFormats?: Attr<string | number>;
  readonly rx?: Attr<string | number>;
  readonly ry?: Attr<string | number>;
  readonly systemLanguage?: Attr<string | number>;
}

export interface FeBlendAttributes extends SvgGlobalAttributes {
  readonly clip?: Attr<string | number>;
  readonly 'color-profile'?: Attr<string | number>;
  readonly 'enable-background'?: Attr<string | number>;
  readonly height?: Attr<string | number>;
  readonly in?: Attr<string | number>;
  readonly in2?: Attr<string | number>;
  readonly kerning?: Attr<string | number>;
  readonly mode?: Attr<string | number>;
  readonly result?: Attr<string | number>;
  readonly width?: Attr<string | number>;
  readonly x?: Attr<string | number>;
  readonly y?: Attr<string | number>;
}

export interface FeColorMatrixAttributes extends SvgGlobalAttributes {
  readonly clip?: Attr<string | number>;
  readonly 'color-profile'?: Attr<string | number>;
  readonly 'enable-background'?: Attr<string | number>;
  readonly height?: Attr<string | number>;
  readonly in?: Attr<string | number>;
  readonly kerning?: Attr<string | number>;
  readonly result?: Attr<string | number>;
  readonly type?: Attr<string | number>;
  readonly values?: Attr<string | number>;
  readonly width?: Attr<string | number>;
  readonly x?: Attr<string | number>;
  readonly y?: Attr<string | number>;
}

export interface FeComponentTransferAttributes extends SvgGlobalAttributes {
  readonly clip?: Attr<string | number>;
  readonly 'color-profile'?: Attr<string | number>;
  readonly 'enable-background'?: Attr<string | number>;
  readonly height?: Attr<string | number>;
  readonly in?: Attr<string | number>;
  readonly kerning?: Attr<string | number>;
  readonly result?: Attr<string | number>;
  readonly width?: Attr<string | number>;
  readonly x?: Attr<string | number>;
  readonly y?: Attr<string | number>;
}

export interface FeCompositeAttributes extends SvgGlobalAttributes {
  readonly clip?: Attr<string | number>;
  readonly 'color-profile'?: Attr<string | number>;
  readonly 'enable-background'?: Attr<string | number>;
  readonly height?: Attr<string | number>;
  readonly in?: Attr<string | number>;
  readonly in2?: Attr<string | number>;
  readonly k1?: Attr<string | number>;
  readonly k2?: Attr<string | number>;
  readonly k3?: Attr<string | number>;
  readonly k4?: Attr<string | number>;
  readonly kerning?: Attr<string | number>;
  readonly operator?: Attr<string | number>;
  readonly result?: Attr<string | number>;
  readonly width?: Attr<string | number>;
  readonly x?: Attr<string | number>;
  readonly y?: Attr<string | number>;
}

export interface FeConvolveMatrixAttributes extends SvgGlobalAttributes {
  readonly bias?: Attr<string | number>;
  readonly clip?: Attr<string | number>;
  readonly 'color-profile'?: Attr<string | number>;
  readonly divisor?: Attr<string | number>;
  readonly edgeMode?: Attr<string | number>;
  readonly 'enable-background'?: Attr<string | number>;
  readonly height?: Attr<string | number>;
  readonly in?: Attr<string | number>;
  readonly kernelMatrix?: Attr<string | number>;
  readonly kernelUnitLength?: Attr<string | number>;
  readonly kerning?: Attr<string | number>;
  readonly order?: Attr<string | number>;
  readonly preserveAlpha?: Attr<string | number>;
  readonly result?: Attr<string | number>;
  readonly targetX?: Attr<string | number>;
  readonly targetY?: Attr<string | number>;
  readonly width?: Attr<string | number>;
  readonly x?: Attr<string | number>;
  readonly y?: Attr<string | number>;
}

export interface FeDiffuseLightingAttributes extends SvgGlobalAttributes {
  readonly clip?: Attr<string | number>;
  readonly 'color-profile'?: Attr<string | number>;
  readonly diffuseConstant?: Attr<string | number>;
  readonly 'enable-background'?: Attr<string | number>;
  readonly height?: Attr<string | number>;
  readonly in?: Attr<string | number>;
  readonly kernelUnitLength?: Attr<string | number>;
  readonly kerning?: Attr<string | number>;
  readonly result?: Attr<string | number>;
  readonly surfaceScale?: Attr<string | number>;
  readonly width?: Attr<string | number>;
  readonly x?: Attr<string | number>;
  readonly y?: Attr<string | number>;
}

export interface FeDisplacementMapAttributes extends SvgGlobalAttributes {
  readonly clip?: Attr<string | number>;
  readonly 'color-profile'?: Attr<string | number>;
  readonly 'enable-background'?: Attr<string | number>;
  readonly height?: Attr<string | number>;
  readonly in?: Attr<string | number>;
  readonly in2?: Attr<string | number>;
  readonly kerning?: Attr<string | number>;
  readonly result?: Attr<string | number>;
  readonly scale?: Attr<string | number>;
  readonly width?: Attr<string | number>;
  readonly x?: Attr<string | number>;
  readonly xChannelSelector?: Attr<string | number>;
  readonly y?: Attr<string | number>;
  readonly yChannelSelector?: Attr<string | number>;
}

export interface FeDistantLightAttributes extends SvgGlobalAttributes {
  readonly azimuth?: Attr<string | number>;
  readonly elevation?: Attr<string | number>;
}

export interface FeDropShadowAttributes extends SvgGlobalAttributes {
  readonly dx?: Attr<string | number>;
  readonly dy?: Attr<string | number>;
  readonly height?: Attr<string | number>;
  readonly in?: Attr<string | number>;
  readonly result?: Attr<string | number>;
  readonly stdDeviation?: Attr<string | number>;
  readonly width?: Attr<string | number>;
  readonly x?: Attr<string | number>;
  readonly y?: Attr<string | number>;
}

export interface FeFloodAttributes extends SvgGlobalAttributes {
  readonly clip?: Attr<string | number>;
  readonly 'color-profile'?: Attr<string | number>;
  readonly 'enable-background'?: Attr<string | number>;
  readonly height?: Attr<string | number>;
  readonly kerning?: Attr<string | number>;
  readonly result?: Attr<string | number>;
  readonly width?: Attr<string | number>;
  readonly x?: Attr<string | number>;
  readonly y?: Attr<string | number>;
}

export interface FeFuncAAttributes extends SvgGlobalAttributes {
  readonly amplitude?: Attr<string | number>;
  readonly exponent?: Attr<string | number>;
  readonly intercept?: Attr<string | number>;
  readonly offset?: Attr<string | number>;
  readonly slope?: Attr<string | number>;
  readonly tableValues?: Attr<string | number>;
  readonly type?: Attr<string | number>;
}

export interface FeFuncBAttributes extends SvgGlobalAttributes {
  readonly amplitude?: Attr<string | number>;
  readonly exponent?: Attr<string | number>;
  readonly intercept?: Attr<string | number>;
  readonly offset?: Attr<string | number>;
  readonly slope?: Attr<string | number>;
  readonly tableValues?: Attr<string | number>;
  readonly type?: Attr<string | number>;
}

export interface FeFuncGAttributes extends SvgGlobalAttributes {
  readonly amplitude?: Attr<string | number>;
  readonly exponent?: Attr<string | number>;
  readonly intercept?: Attr<string | number>;
  readonly offset?: Attr<string | number>;
  readonly slope?: Attr<string | number>;
  readonly tableValues?: Attr<string | number>;
  readonly type?: Attr<string | number>;
}

export interface FeFuncRAttributes extends SvgGlobalAttributes {
  readonly amplitude?: Attr<string | number>;
  readonly exponent?: Attr<string | number>;
  readonly intercept?: Attr<string | number>;
  readonly offset?: Attr<string | number>;
  readonly slope?: Attr<string | number>;
  readonly tableValues?: Attr<string | number>;
  readonly type?: Attr<string | number>;
}

export interface FeGaussianBlurAttributes extends SvgGlobalAttributes {
  readonly clip?: Attr<string | number>;
  readonly 'color-profile'?: Attr<string | number>;
  readonly edgeMode?: Attr<string | number>;
  readonly 'enable-background'?: Attr<string | number>;
  readonly height?: Attr<string | number>;
  readonly in?: Attr<string | number>;
  readonly kerning?: Attr<string | number>;
  readonly result?: Attr<string | number>;
  readonly stdDeviation?: Attr<string | number>;
  readonly width?: Attr<string | number>;
  readonly x?: Attr<string | number>;
  readonly y?: Attr<string | number>;
}

export interface FeImageAttributes extends SvgGlobalAttributes {
  readonly clip?: Attr<string | number>;
  readonly 'color-profile'?: Attr<string | number>;
  readonly crossorigin?: Attr<string | number>;
  readonly 'enable-background'?: Attr<string | number>;
  readonly externalResourcesRequired?: Attr<string | number>;
  readonly height?: Attr<string | number>;
  readonly href?: Attr<string | number>;
  readonly kerning?: Attr<string | number>;
  readonly preserveAspectRatio?: Attr<string | number>;
  readonly result?: Attr<string | number>;
  readonly width?: Attr<string | number>;
  readonly x?: Attr<string | number>;
  readonly y?: Attr<string | number>;
}

export interface FeMergeAttributes extends SvgGlobalAttributes {
  readonly clip?: Attr<string | number>;
  readonly 'color-profile'?: Attr<string | number>;
  readonly 'enable-background'?: Attr<string | number>;
  readonly height?: Attr<string | number>;
  readonly kerning?: Attr<string | number>;
  readonly result?: Attr<string | number>;
  readonly width?: Attr<string | number>;
  readonly x?: Attr<string | number>;
  readonly y?: Attr<string | number>;
}

export interface FeMergeNodeAttributes extends SvgGlobalAttributes {
  readonly in?: Attr<string | number>;
}

export interface FeMorphologyAttributes extends SvgGlobalAttributes {
  readonly clip?: Attr<string | number>;
  readonly 'color-profile'?: Attr<string | number>;
  readonly 'enable-background'?: Attr<string | number>;
  readonly height?: Attr<string | number>;
  readonly in?: Attr<string | number>;
  readonly kerning?: Attr<string | number>;
  readonly operator?: Attr<string | number>;
  readonly radius?: Attr<string | number>;
  readonly result?: Attr<string | number>;
  readonly width?: Attr<string | number>;
  readonly x?: Attr<string | number>;
  readonly y?: Attr<string | number>;
}

export interface FeOffsetAttributes extends SvgGlobalAttributes {
  readonly clip?: Attr<string | number>;
  readonly 'color-profile'?: Attr<string | number>;
  readonly dx?: Attr<string | number>;
  readonly dy?: Attr<string | number>;
  readonly 'enable-background'?: Attr<string | number>;
  readonly height?: Attr<string | number>;
  readonly in?: Attr<string | number>;
  readonly kerning?: Attr<string | number>;
  readonly result?: Attr<string | number>;
  readonly width?: Attr<string | number>;
  readonly x?: Attr<string | number>;
  readonly y?: Attr<string | number>;
}

export interface FePointLightAttributes extends SvgGlobalAttributes {
  readonly x?: Attr<string | number>;
  readonly y?: Attr<string | number>;
  readonly z?: Attr<string | number>;
}

export interface FeSpecularLightingAttributes extends SvgGlobalAttributes {
  readonly clip?: Attr<string | number>;
  readonly 'color-profile'?: Attr<string | number>;
  readonly 'enable-background'?: Attr<string | number>;
  readonly height?: Attr<string | number>;
  readonly in?: Attr<string | number>;
  readonly kernelUnitLength?: Attr<string | number>;
  readonly kerning?: Attr<string | number>;
  readonly result?: Attr<string | number>;
  readonly specularConstant?: Attr<string | number>;
  readonly specularExponent?: Attr<string | number>;
  readonly surfaceScale?: Attr<string | number>;
  readonly width?: Attr<string | number>;
  readonly x?: Attr<string | number>;
  readonly y?: Attr<string | number>;
}

export interface FeSpotLightAttributes extends SvgGlobalAttributes {
  readonly limitingConeAngle?: Attr<string | number>;
  readonly pointsAtX?: Attr<string | number>;
  readonly pointsAtY?: Attr<string | number>;
  readonly pointsAtZ?: Attr<string | number>;
  readonly specularExponent?: Attr<string | number>;
  readonly x?: Attr<string | number>;
  readonly y?: Attr<string | number>;
  readonly z?: Attr<string | number>;
}

export interface FeTileAttributes extends SvgGlobalAttributes {
  readonly clip?: Attr<string | number>;
  readonly 'color-profile'?: Attr<string | number>;
  readonly 'enable-background'?: Attr<string | number>;
  readonly height?: Attr<string | number>;
  readonly in?: Attr<string | number>;
  readonly kerning?: Attr<string | number>;
  readonly result?: Attr<string | number>;
  readonly width?: Attr<string | number>;
  readonly x?: Attr<string | number>;
  readonly y?: Attr<string | number>;
}

export interface FeTurbulenceAttributes extends SvgGlobalAttributes {
  readonly baseFrequency?: Attr<string | number>;
  readonly clip?: Attr<string | number>;
  readonly 'color-profile'?: Attr<string | number>;
  readonly 'enable-background'?: Attr<string | number>;
  readonly height?: Attr<string | number>;
  readonly kerning?: Attr<string | number>;
  readonly numOctaves?: Attr<string | number>;
  readonly result?: Attr<string | number>;
  readonly seed?: Attr<string | number>;
  readonly stitchTiles?: Attr<string | number>;
  readonly type?: Attr<string | number>;
  readonly width?: Attr<string | number>;
  readonly x?: Attr<string | number>;
  readonly y?: Attr<string | number>;
}

export interface FilterAttributes extends SvgGlobalAttributes {
  readonly clip?: Attr<string | number>;
  readonly 'color-profile'?: Attr<string | number>;
  readonly 'enable-background'?: Attr<string | number>;
  readonly externalResourcesRequired?: Attr<string | number>;
  readonly filterRes?: Attr<string | number>;
  readonly filterUnits?: Attr<string | number>;
  readonly height?: Attr<string | number>;
  readonly kerning?: Attr<string | number>;
  readonly primitiveUnits?: Attr<string | number>;
  readonly width?: Attr<string | number>;
  readonly x?: Attr<string | number>;
  readonly y?: Attr<string | number>;
}

export interface ForeignObjectAttributes extends SvgGlobalAttributes {
  readonly clip?: Attr<string | number>;
  readonly 'color-profile'?: Attr<string | number>;
  readonly 'enable-background'?: Attr<string | number>;
  readonly externalResourcesRequired?: Attr<string | number>;
  readonly focusable?: Attr<string | number>;
  readonly focusHighlight?: Attr<string | number>;
  readonly height?: Attr<string | number>;
  readonly kerning?: Attr<string | number>;
  readonly 'nav-down'?: Attr<string | number>;
  readonly 'nav-down-left'?: Attr<string | number>;
  readonly 'nav-down-right'?: Attr<string | number>;
  readonly 'nav-left'?: Attr<string | number>;
  readonly 'nav-next'?: Attr<string | number>;
  readonly 'nav-prev'?: Attr<string | number>;
  readonly 'nav-right'?: Attr<string | number>;
  readonly 'nav-up'?: Attr<string | number>;
  readonly 'nav-up-left'?: Attr<string | number>;
  readonly 'nav-up-right'?: Attr<string | number>;
  readonly requiredExtensions?: Attr<string | number>;
  readonly requiredFeatures?: Attr<string | number>;
  readonly requiredFonts?: Attr<string | number>;
  readonly requiredFormats?: Attr<string | number>;
  readonly systemLanguage?: Attr<string | number>;
  readonly width?: Attr<string | number>;
  readonly x?: Attr<string | number>;
  readonly y?: Attr<string | number>;
}

export interface GAttributes extends SvgGlobalAttributes {
  readonly clip?: Attr<string | number>;
  readonly 'color-profile'?: Attr<string | number>;
  readonly 'enable-background'?: Attr<string | number>;
  readonly externalResourcesRequired?: Attr<string | number>;
  readonly focusable?: Attr<string | number>;
  readonly focusHighlight?: Attr<string | number>;
  readonly kerning?: Attr<string | number>;
  readonly 'nav-down'?: Attr<string | number>;
  readonly 'nav-down-left'?: Attr<string | number>;
  readonly 'nav-down-right'?: Attr<string | number>;
  readonly 'nav-left'?: Attr<string | number>;
  readonly 'nav-next'?: Attr<string | number>;
  readonly 'nav-prev'?: Attr<string | number>;
  readonly 'nav-right'?: Attr<string | number>;
  readonly 'nav-up'?: Attr<string | number>;
  readonly 'nav-up-left'?: Attr<string | number>;
  readonly 'nav-up-right'?: Attr<string | number>;
  readonly requiredExtensions?: Attr<string | number>;
  readonly requiredFeatures?: Attr<string | number>;
  readonly requiredFonts?: Attr<string | number>;
  readonly requiredFormats?: Attr<string | number>;
  readonly systemLanguage?: Attr<string | number>;
}

export interface ImageAttributes extends SvgGlobalAttributes {
  readonly clip?: Attr<string | number>;
  readonly 'color-profile'?: Attr<string | number>;
  readonly crossorigin?: Attr<string | number>;
  readonly 'enable-background'?: Attr<string | number>;
  readonly externalResourcesRequired?: Attr<string | number>;
  readonly focusable?: Attr<string | number>;
  readonly focusHighlight?: Attr<string | number>;
  readonly height?: Attr<string | number>;
  readonly href?: Attr<string | number>;
  readonly kerning?: Attr<string | number>;
  readonly 'nav-down'?: Attr<string | number>;
  readonly 'nav-down-left'?: Attr<string | number>;
  readonly 'nav-down-right'?: Attr<string | number>;
  readonly 'nav-left'?: Attr<string | number>;
  readonly 'nav-next'?: Attr<string | number>;
  readonly 'nav-prev'?: Attr<string | number>;
  readonly 'nav-right'?: Attr<string | number>;
  readonly 'nav-up'?: Attr<string | number>;
  readonly 'nav-up-left'?: Attr<string | number>;
  readonly 'nav-up-right'?: Attr<string | number>;
  readonly preserveAspectRatio?: Attr<string | number>;
  readonly requiredExtensions?: Attr<string | number>;
  readonly requiredFeatures?: Attr<string | number>;
  readonly requiredFonts?: Attr<string | number>;
  readonly requiredFormats?: Attr<string | number>;
  readonly systemLanguage?: Attr<string | number>;
  readonly type?: Attr<string | number>;
  readonly width?: Attr<string | number>;
  readonly x?: Attr<string | number>;
  readonly y?: Attr<string | number>;
}

export interface LineAttributes extends SvgGlobalAttributes {
  readonly clip?: Attr<string | number>;
  readonly 'color-profile'?: Attr<string | number>;
  readonly 'enable-background'?: Attr<string | number>;
  readonly externalResourcesRequired?: Attr<string | number>;
  readonly focusable?: Attr<string | number>;
  readonly focusHighlight?: Attr<string | number>;
  readonly kerning?: Attr<string | number>;
  readonly 'nav-down'?: Attr<string | number>;
  readonly 'nav-down-left'?: Attr<string | number>;
  readonly 'nav-down-right'?: Attr<string | number>;
  readonly 'nav-left'?: Attr<string | number>;
  readonly 'nav-next'?: Attr<string | number>;
  readonly 'nav-prev'?: Attr<string | number>;
  readonly 'nav-right'?: Attr<string | number>;
  readonly 'nav-up'?: Attr<string | number>;
  readonly 'nav-up-left'?: Attr<string | number>;
  readonly 'nav-up-right'?: Attr<string | number>;
  readonly pathLength?: Attr<string | number>;
  readonly requiredExtensions?: Attr<string | number>;
  readonly requiredFeatures?: Attr<string | number>;
  readonly requiredFonts?: Attr<string | number>;
  readonly requiredFormats?: Attr<string | number>;
  readonly systemLanguage?: Attr<string | number>;
  readonly x1?: Attr<string | number>;
  readonly x2?: Attr<string | number>;
  readonly y1?: Attr<string | number>;
  readonly y2?: Attr<string | number>;
}

export interface LinearGradientAttributes extends SvgGlobalAttributes {
  readonly clip?: Attr<string | number>;
  readonly 'color-profile'?: Attr<string | number>;
  readonly 'enable-background'?: Attr<string | number>;
  readonly externalResourcesRequired?: Attr<string | number>;
  readonly gradientTransform?: Attr<string | number>;
  readonly gradientUnits?: Attr<string | number>;
  readonly href?: Attr<string | number>;
  readonly kerning?: Attr<string | number>;
  readonly spreadMethod?: Attr<string | number>;
  readonly x1?: Attr<string | number>;
  readonly x2?: Attr<string | number>;
  readonly y1?: Attr<string | number>;
  readonly y2?: Attr<string | number>;
}

export interface MarkerAttributes extends SvgGlobalAttributes {
  readonly clip?: Attr<string | number>;
  readonly 'color-profile'?: Attr<string | number>;
  readonly 'enable-background'?: Attr<string | number>;
  readonly externalResourcesRequired?: Attr<string | number>;
  readonly kerning?: Attr<string | number>;
  readonly markerHeight?: Attr<string | number>;
  readonly markerUnits?: Attr<string | number>;
  readonly markerWidth?: Attr<string | number>;
  readonly orient?: Attr<string | number>;
  readonly preserveAspectRatio?: Attr<string | number>;
  readonly refX?: Attr<string | number>;
  readonly refY?: Attr<string | number>;
  readonly viewBox?: Attr<string | number>;
}

export interface MaskAttributes extends SvgGlobalAttributes {
  readonly clip?: Attr<string | number>;
  readonly 'color-profile'?: Attr<string | number>;
  readonly 'enable-background'?: Attr<string | number>;
  readonly externalResourcesRequired?: Attr<string | number>;
  readonly height?: Attr<string | number>;
  readonly kerning?: Attr<string | number>;
  readonly maskContentUnits?: Attr<string | number>;
  readonly maskUnits?: Attr<string | number>;
  readonly requiredExtensions?: Attr<string | number>;
  readonly requiredFeatures?: Attr<string | number>;
  readonly systemLanguage?: Attr<string | number>;
  readonly width?: Attr<string | number>;
  readonly x?: Attr<string | number>;
  readonly y?: Attr<string | number>;
}

export interface MetadataAttributes extends SvgGlobalAttributes {
  readonly requiredExtensions?: Attr<string | number>;
  readonly requiredFeatures?: Attr<string | number>;
  readonly requiredFonts?: Attr<string | number>;
  readonly requiredFormats?: Attr<string | number>;
  readonly systemLanguage?: Attr<string | number>;
}

export interface MpathAttributes extends SvgGlobalAttributes {
  readonly externalResourcesRequired?: Attr<string | number>;
  readonly href?: Attr<string | number>;
}

export interface PathAttributes extends SvgGlobalAttributes {
  readonly clip?: Attr<string | number>;
  readonly 'color-profile'?: Attr<string | number>;
  readonly d?: Attr<string | number>;
  readonly 'enable-background'?: Attr<string | number>;
  readonly externalResourcesRequired?: Attr<string | number>;
  readonly focusable?: Attr<string | number>;
  readonly focusHighlight?: Attr<string | number>;
  readonly kerning?: Attr<string | number>;
  readonly 'nav-down'?: Attr<string | number>;
  readonly 'nav-down-left'?: Attr<string | number>;
  readonly 'nav-down-right'?: Attr<string | number>;
  readonly 'nav-left'?: Attr<string | number>;
  readonly 'nav-next'?: Attr<string | number>;
  readonly 'nav-prev'?: Attr<string | number>;
  readonly 'nav-right'?: Attr<string | number>;
  readonly 'nav-up'?: Attr<string | number>;
  readonly 'nav-up-left'?: Attr<string | number>;
  readonly 'nav-up-right'?: Attr<string | number>;
  readonly pathLength?: Attr<string | number>;
  readonly requiredExtensions?: Attr<string | number>;
  readonly requiredFeatures?: Attr<string | number>;
  readonly requiredFonts?: Attr<string | number>;
  readonly requiredFormats?: Attr<string | number>;
  readonly systemLanguage?: Attr<string | number>;
}

export interface PatternAttributes extends SvgGlobalAttributes {
  readonly clip?: Attr<string | number>;
  readonly 'color-profile'?: Attr<string | number>;
  readonly 'enable-background'?: Attr<string | number>;
  readonly externalResourcesRequired?: Attr<string | number>;
  readonly height?: Attr<string | number>;
  readonly href?: Attr<string | number>;
  readonly kerning?: Attr<string | number>;
  readonly patternContentUnits?: Attr<string | number>;
  readonly patternTransform?: Attr<string | number>;
  readonly patternUnits?: Attr<string | number>;
  readonly preserveAspectRatio?: Attr<string | number>;
  readonly requiredExtensions?: Attr<string | number>;
  readonly requiredFeatures?: Attr<string | number>;
  readonly systemLanguage?: Attr<string | number>;
  readonly viewBox?: Attr<string | number>;
  readonly width?: Attr<string | number>;
  readonly x?: Attr<string | number>;
  readonly y?: Attr<string | number>;
}

export interface PolygonAttributes extends SvgGlobalAttributes {
  readonly clip?: Attr<string | number>;
  readonly 'color-profile'?: Attr<string | number>;
  readonly 'enable-background'?: Attr<string | number>;
  readonly externalResourcesRequired?: Attr<string | number>;
  readonly focusable?: Attr<string | number>;
  readonly focusHighlight?: Attr<string | number>;
  readonly kerning?: Attr<string | number>;
  readonly 'nav-down'?: Attr<string | number>;
  readonly 'nav-down-left'?: Attr<string | number>;
  readonly 'nav-down-right'?: Attr<string | number>;
  readonly 'nav-left'?: Attr<string | number>;
  readonly 'nav-next'?: Attr<string | number>;
  readonly 'nav-prev'?: Attr<string | number>;
  readonly 'nav-right'?: Attr<string | number>;
  readonly 'nav-up'?: Attr<string | number>;
  readonly 'nav-up-left'?: Attr<string | number>;
  readonly 'nav-up-right'?: Attr<string | number>;
  readonly pathLength?: Attr<string | number>;
  readonly points?: Attr<string | number>;
  readonly requiredExtensions?: Attr<string | number>;
  readonly requiredFeatures?: Attr<string | number>;
  readonly requiredFonts?: Attr<string | number>;
  readonly requiredFormats?: Attr<string | number>;
  readonly systemLanguage?: Attr<string | number>;
}

export interface PolylineAttributes extends SvgGlobalAttributes {
  readonly clip?: Attr<string | number>;
  readonly 'color-profile'?: Attr<string | number>;
  readonly 'enable-background'?: Attr<string | number>;
  readonly externalResourcesRequired?: Attr<string | number>;
  readonly focusable?: Attr<string | number>;
  readonly focusHighlight?: Attr<string | number>;
  readonly kerning?: Attr<string | number>;
  readonly 'nav-down'?: Attr<string | number>;
  readonly 'nav-down-left'?: Attr<string | number>;
  readonly 'nav-down-right'?: Attr<string | number>;
  readonly 'nav-left'?: Attr<string | number>;
  readonly 'nav-next'?: Attr<string | number>;
  readonly 'nav-prev'?: Attr<string | number>;
  readonly 'nav-right'?: Attr<string | number>;
  readonly 'nav-up'?: Attr<string | number>;
  readonly 'nav-up-left'?: Attr<string | number>;
  readonly 'nav-up-right'?: Attr<string | number>;
  readonly pathLength?: Attr<string | number>;
  readonly points?: Attr<string | number>;
  readonly requiredExtensions?: Attr<string | number>;
  readonly requiredFeatures?: Attr<string | number>;
  readonly requiredFonts?: Attr<string | number>;
  readonly requiredFormats?: Attr<string | number>;
  readonly systemLanguage?: Attr<string | number>;
}

export interface RadialGradientAttributes extends SvgGlobalAttributes {
  readonly clip?: Attr<string | number>;
  readonly 'color-profile'?: Attr<string | number>;
  readonly cx?: Attr<string | number>;
  readonly cy?: Attr<string | number>;
  readonly 'enable-background'?: Attr<string | number>;
  readonly externalResourcesRequired?: Attr<string | number>;
  readonly fr?: Attr<string | number>;
  readonly fx?: Attr<string | number>;
  readonly fy?: Attr<string | number>;
  readonly gradientTransform?: Attr<string | number>;
  readonly gradientUnits?: Attr<string | number>;
  readonly href?: Attr<string | number>;
  readonly kerning?: Attr<string | number>;
  readonly r?: Attr<string | number>;
  readonly spreadMethod?: Attr<string | number>;
}

export interface RectAttributes extends SvgGlobalAttributes {
  readonly clip?: Attr<string | number>;
  readonly 'color-profile'?: Attr<string | number>;
  readonly 'enable-background'?: Attr<string | number>;
  readonly externalResourcesRequired?: Attr<string | number>;
  readonly focusable?: Attr<string | number>;
  readonly focusHighlight?: Attr<string | number>;
  readonly height?: Attr<string | number>;
  readonly kerning?: Attr<string | number>;
  readonly 'nav-down'?: Attr<string | number>;
  readonly 'nav-down-left'?: Attr<string | number>;
  readonly 'nav-down-right'?: Attr<string | number>;
  readonly 'nav-left'?: Attr<string | number>;
  readonly 'nav-next'?: Attr<string | number>;
  readonly 'nav-prev'?: Attr<string | number>;
  readonly 'nav-right'?: Attr<string | number>;
  readonly 'nav-up'?: Attr<string | number>;
  readonly 'nav-up-left'?: Attr<string | number>;
  readonly 'nav-up-right'?: Attr<string | number>;
  readonly pathLength?: Attr<string | number>;
  readonly requiredExtensions?: Attr<string | number>;
  readonly requiredFeatures?: Attr<string | number>;
  readonly requiredFonts?: Attr<string | number>;
  readonly requiredFormats?: Attr<string | number>;
  readonly rx?: Attr<string | number>;
  readonly ry?: Attr<string | number>;
  readonly systemLanguage?: Attr<string | number>;
  readonly width?: Attr<string | number>;
  readonly x?: Attr<string | number>;
  readonly y?: Attr<string | number>;
}

export interface SetAttributes extends SvgGlobalAttributes {
  readonly attributeName?: Attr<string | number>;
  readonly attributeType?: Attr<string | number>;
  readonly begin?: Attr<string | number>;
  readonly dur?: Attr<string | number>;
  readonly end?: Attr<string | number>;
  readonly externalResourcesRequired?: Attr<string | number>;
  readonly href?: Attr<string | number>;
  readonly max?: Attr<string | number>;
  readonly min?: Attr<string | number>;
  readonly repeatCount?: Attr<string | number>;
  readonly repeatDur?: Attr<string | number>;
  readonly requiredExtensions?: Attr<string | number>;
  readonly requiredFeatures?: Attr<string | number>;
  readonly requiredFonts?: Attr<string | number>;
  readonly requiredFormats?: Attr<string | number>;
  readonly restart?: Attr<string | number>;
  readonly systemLanguage?: Attr<string | number>;
  readonly to?: Attr<string | number>;
}

export interface StopAttributes extends SvgGlobalAttributes {
  readonly clip?: Attr<string | number>;
  readonly 'color-profile'?: Attr<string | number>;
  readonly 'enable-background'?: Attr<string | number>;
  readonly kerning?: Attr<string | number>;
  readonly offset?: Attr<string | number>;
}

export interface SvgAttributes extends SvgGlobalAttributes {
  readonly baseProfile?: Attr<string | number>;
  readonly clip?: Attr<string | number>;
  readonly 'color-profile'?: Attr<string | number>;
  readonly contentScriptType?: Attr<string | number>;
  readonly contentStyleType?: Attr<string | number>;
  readonly 'enable-background'?: Attr<string | number>;
  readonly externalResourcesRequired?: Attr<string | number>;
  readonly focusable?: Attr<string | number>;
  readonly focusHighlight?: Attr<string | number>;
  readonly height?: Attr<string | number>;
  readonly kerning?: Attr<string | number>;
  readonly 'nav-down'?: Attr<string | number>;
  readonly 'nav-down-left'?: Attr<string | number>;
  readonly 'nav-down-right'?: Attr<string | number>;
  readonly 'nav-left'?: Attr<string | number>;
  readonly 'nav-next'?: Attr<string | number>;
  readonly 'nav-prev'?: Attr<string | number>;
  readonly 'nav-right'?: Attr<string | number>;
  readonly 'nav-up'?: Attr<string | number>;
  readonly 'nav-up-left'?: Attr<string | number>;
  readonly 'nav-up-right'?: Attr<string | number>;
  readonly playbackorder?: Attr<string | number>;
  readonly playbackOrder?: Attr<string | number>;
  readonly preserveAspectRatio?: Attr<string | number>;
  readonly requiredExtensions?: Attr<string | number>;
  readonly requiredFeatures?: Attr<string | number>;
  readonly snapshotTime?: Attr<string | number>;
  readonly syncBehaviorDefault?: Attr<string | number>;
  readonly syncToleranceDefault?: Attr<string | number>;
  readonly systemLanguage?: Attr<string | number>;
  readonly timelinebegin?: Attr<string | number>;
  readonly timelineBegin?: Attr<string | number>;
  readonly version?: Attr<string | number>;
  readonly viewBox?: Attr<string | number>;
  readonly width?: Attr<string | number>;
  readonly x?: Attr<string | number>;
  readonly y?: Attr<string | number>;
  readonly zoomAndPan?: Attr<string | number>;
}

export interface SwitchAttributes extends SvgGlobalAttributes {
  readonly clip?: Attr<string | number>;
  readonly 'color-profile'?: Attr<string | number>;
  readonly 'enable-background'?: Attr<string | number>;
  readonly externalResourcesRequired?: Attr<string | number>;
  readonly focusable?: Attr<string | number>;
  readonly focusHighlight?: Attr<string | number>;
  readonly kerning?: Attr<string | number>;
  readonly 'nav-down'?: Attr<string | number>;
  readonly 'nav-down-left'?: Attr<string | number>;
  readonly 'nav-down-right'?: Attr<string | number>;
  readonly 'nav-left'?: Attr<string | number>;
  readonly 'nav-next'?: Attr<string | number>;
  readonly 'nav-prev'?: Attr<string | number>;
  readonly 'nav-right'?: Attr<string | number>;
  readonly 'nav-up'?: Attr<string | number>;
  readonly 'nav-up-left'?: Attr<string | number>;
  readonly 'nav-up-right'?: Attr<string | number>;
  readonly requiredExtensions?: Attr<string | number>;
  readonly requiredFeatures?: Attr<string | number>;
  readonly requiredFonts?: Attr<string | number>;
  readonly requiredFormats?: Attr<string | number>;
  readonly systemLanguage?: Attr<string | number>;
}

export interface SymbolAttributes extends SvgGlobalAttributes {
  readonly clip?: Attr<string | number>;
  readonly 'color-profile'?: Attr<string | number>;
  readonly 'enable-background'?: Attr<string | number>;
  readonly externalResourcesRequired?: Attr<string | number>;
  readonly height?: Attr<string | number>;
  readonly kerning?: Attr<string | number>;
  readonly preserveAspectRatio?: Attr<string | number>;
  readonly refX?: Attr<string | number>;
  readonly refY?: Attr<string | number>;
  readonly viewBox?: Attr<string | number>;
  readonly width?: Attr<string | number>;
  readonly x?: Attr<string | number>;
  readonly y?: Attr<string | number>;
}

export interface TextAttributes extends SvgGlobalAttributes {
  readonly clip?: Attr<string | number>;
  readonly 'color-profile'?: Attr<string | number>;
  readonly dx?: Attr<string | number>;
  readonly dy?: Attr<string | number>;
  readonly editable?: Attr<string | number>;
  readonly 'enable-background'?: Attr<string | number>;
  readonly externalResourcesRequired?: Attr<string | number>;
  readonly focusable?: Attr<string | number>;
  readonly focusHighlight?: Attr<string | number>;
  readonly kerning?: Attr<string | number>;
  readonly lengthAdjust?: Attr<string | number>;
  readonly 'nav-down'?: Attr<string | number>;
  readonly 'nav-down-left'?: Attr<string | number>;
  readonly 'nav-down-right'?: Attr<string | number>;
  readonly 'nav-left'?: Attr<string | number>;
  readonly 'nav-next'?: Attr<string | number>;
  readonly 'nav-prev'?: Attr<string | number>;
  readonly 'nav-right'?: Attr<string | number>;
  readonly 'nav-up'?: Attr<string | number>;
  readonly 'nav-up-left'?: Attr<string | number>;
  readonly 'nav-up-right'?: Attr<string | number>;
  readonly requiredExtensions?: Attr<string | number>;
  readonly requiredFeatures?: Attr<string | number>;
  readonly requiredFonts?: Attr<string | number>;
  readonly requiredFormats?: Attr<string | number>;
  readonly rotate?: Attr<string | number>;
  readonly systemLanguage?: Attr<string | number>;
  readonly textLength?: Attr<string | number>;
  readonly x?: Attr<string | number>;
  readonly y?: Attr<string | number>;
}

export interface TextPathAttributes extends SvgGlobalAttributes {
  readonly clip?: Attr<string | number>;
  readonly 'color-profile'?: Attr<string | number>;
  readonly 'enable-background'?: Attr<string | number>;
  readonly externalResourcesRequired?: Attr<string | number>;
  readonly href?: Attr<string | number>;
  readonly kerning?: Attr<string | number>;
  readonly lengthAdjust?: Attr<string | number>;
  readonly method?: Attr<string | number>;
  readonly path?: Attr<string | number>;
  readonly requiredExtensions?: Attr<string | number>;
  readonly requiredFeatures?: Attr<string | number>;
  readonly side?: Attr<string | number>;
  readonly spacing?: Attr<string | number>;
  readonly startOffset?: Attr<string | number>;
  readonly systemLanguage?: Attr<string | number>;
  readonly textLength?: Attr<string | number>;
}

export interface TspanAttributes extends SvgGlobalAttributes {
  readonly clip?: Attr<string | number>;
  readonly 'color-profile'?: Attr<string | number>;
  readonly dx?: Attr<string | number>;
  readonly dy?: Attr<string | number>;
  readonly 'enable-background'?: Attr<string | number>;
  readonly externalResourcesRequired?: Attr<string | number>;
  readonly focusable?: Attr<string | number>;
  readonly focusHighlight?: Attr<string | number>;
  readonly kerning?: Attr<string | number>;
  readonly lengthAdjust?: Attr<string | number>;
  readonly 'nav-down'?: Attr<string | number>;
  readonly 'nav-down-left'?: Attr<string | number>;
  readonly 'nav-down-right'?: Attr<string | number>;
  readonly 'nav-left'?: Attr<string | number>;
  readonly 'nav-next'?: Attr<string | number>;
  readonly 'nav-prev'?: Attr<string | number>;
  readonly 'nav-right'?: Attr<string | number>;
  readonly 'nav-up'?: Attr<string | number>;
  readonly 'nav-up-left'?: Attr<string | number>;
  readonly 'nav-up-right'?: Attr<string | number>;
  readonly requiredExtensions?: Attr<string | number>;
  readonly requiredFeatures?: Attr<string | number>;
  readonly requiredFonts?: Attr<string | number>;
  readonly requiredFormats?: Attr<string | number>;
  readonly rotate?: Attr<string | number>;
  readonly systemLanguage?: Attr<string | number>;
  readonly textLength?: Attr<string | number>;
  readonly x?: Attr<string | number>;
  readonly y?: Attr<string | number>;
}

export interface UseAttributes extends SvgGlobalAttributes {
  readonly clip?: Attr<string | number>;
  readonly 'color-profile'?: Attr<string | number>;
  readonly 'enable-background'?: Attr<string | number>;
  readonly externalResourcesRequired?: Attr<string | number>;
  readonly focusable?: Attr<string | number>;
  readonly focusHighlight?: Attr<string | number>;
  readonly height?: Attr<string | number>;
  readonly href?: Attr<string | number>;
  readonly kerning?: Attr<string | number>;
  readonly 'nav-down'?: Attr<string | number>;
  readonly 'nav-down-left'?: Attr<string | number>;
  readonly 'nav-down-right'?: Attr<string | number>;
  readonly 'nav-left'?: Attr<string | number>;
  readonly 'nav-next'?: Attr<string | number>;
  readonly 'nav-prev'?: Attr<string | number>;
  readonly 'nav-right'?: Attr<string | number>;
  readonly 'nav-up'?: Attr<string | number>;
  readonly 'nav-up-left'?: Attr<string | number>;
  readonly 'nav-up-right'?: Attr<string | number>;
  readonly requiredExtensions?: Attr<string | number>;
  readonly requiredFeatures?: Attr<string | number>;
  readonly requiredFonts?: Attr<string | number>;
  readonly requiredFormats?: Attr<string | number>;
  readonly systemLanguage?: Attr<string | number>;
  readonly width?: Attr<string | number>;
  readonly x?: Attr<string | number>;
  readonly y?: Attr<string | number>;
}

export interface ViewAttributes extends SvgGlobalAttributes {
  readonly externalResourcesRequired?: Attr<string | number>;
  readonly preserveAspectRatio?: Attr<string | number>;
  readonly viewBox?: Attr<string | number>;
  readonly viewTarget?: Attr<string | number>;
  readonly zoomAndPan?: Attr<string | number>;
}

/** The attributes of each element. */
export interface AttributesOf {
  readonly html: GlobalAttributes;
  readonly head: GlobalAttributes;
  readonly title: GlobalAttributes;
  readonly base: BaseAttributes;
  readonly link: LinkAttributes;
  readonly meta: MetaAttributes;
  readonly style: StyleAttributes;
  readonly body: GlobalAttributes;
  readonly article: GlobalAttributes;
  readonly section: GlobalAttributes;
  readonly nav: GlobalAttributes;
  readonly aside: GlobalAttributes;
  readonly h1: GlobalAttributes;
  readonly h2: GlobalAttributes;
  readonly h3: GlobalAttributes;
  readonly h4: GlobalAttributes;
  readonly h5: GlobalAttributes;
  readonly h6: GlobalAttributes;
  readonly hgroup: GlobalAttributes;
  readonly header: GlobalAttributes;
  readonly footer: GlobalAttributes;
  readonly address: GlobalAttributes;
  readonly p: GlobalAttributes;
  readonly hr: GlobalAttributes;
  readonly pre: GlobalAttributes;
  readonly blockquote: BlockquoteAttributes;
  readonly ol: OlAttributes;
  readonly ul: GlobalAttributes;
  readonly menu: GlobalAttributes;
  readonly li: LiAttributes;
  readonly dl: GlobalAttributes;
  readonly dt: GlobalAttributes;
  readonly dd: GlobalAttributes;
  readonly figure: GlobalAttributes;
  readonly figcaption: GlobalAttributes;
  readonly main: GlobalAttributes;
  readonly search: GlobalAttributes;
  readonly div: GlobalAttributes;
  readonly a: AAttributes;
  readonly em: GlobalAttributes;
  readonly strong: GlobalAttributes;
  readonly small: GlobalAttributes;
  readonly s: GlobalAttributes;
  readonly cite: GlobalAttributes;
  readonly q: QAttributes;
  readonly dfn: GlobalAttributes;
  readonly abbr: GlobalAttributes;
  readonly ruby: GlobalAttributes;
  readonly rt: GlobalAttributes;
  readonly rp: GlobalAttributes;
  readonly data: DataAttributes;
  readonly time: TimeAttributes;
  readonly code: GlobalAttributes;
  readonly var: GlobalAttributes;
  readonly samp: GlobalAttributes;
  readonly kbd: GlobalAttributes;
  readonly sub: GlobalAttributes;
  readonly sup: GlobalAttributes;
  readonly i: GlobalAttributes;
  readonly b: GlobalAttributes;
  readonly u: GlobalAttributes;
  readonly mark: GlobalAttributes;
  readonly bdi: GlobalAttributes;
  readonly bdo: GlobalAttributes;
  readonly span: GlobalAttributes;
  readonly br: GlobalAttributes;
  readonly wbr: GlobalAttributes;
  readonly ins: InsAttributes;
  readonly del: DelAttributes;
  readonly picture: GlobalAttributes;
  readonly source: SourceAttributes;
  readonly img: ImgAttributes;
  readonly iframe: IframeAttributes;
  readonly embed: EmbedAttributes;
  readonly object: ObjectAttributes;
  readonly video: VideoAttributes;
  readonly audio: AudioAttributes;
  readonly track: TrackAttributes;
  readonly map: MapAttributes;
  readonly area: AreaAttributes;
  readonly table: TableAttributes;
  readonly caption: GlobalAttributes;
  readonly colgroup: ColgroupAttributes;
  readonly col: ColAttributes;
  readonly tbody: GlobalAttributes;
  readonly thead: GlobalAttributes;
  readonly tfoot: GlobalAttributes;
  readonly tr: GlobalAttributes;
  readonly td: TdAttributes;
  readonly th: ThAttributes;
  readonly form: FormAttributes;
  readonly label: LabelAttributes;
  readonly input: InputAttributes;
  readonly button: ButtonAttributes;
  readonly select: SelectAttributes;
  readonly datalist: GlobalAttributes;
  readonly optgroup: OptgroupAttributes;
  readonly option: OptionAttributes;
  readonly textarea: TextareaAttributes;
  readonly output: OutputAttributes;
  readonly progress: ProgressAttributes;
  readonly meter: MeterAttributes;
  readonly fieldset: FieldsetAttributes;
  readonly legend: GlobalAttributes;
  readonly details: DetailsAttributes;
  readonly summary: GlobalAttributes;
  readonly dialog: DialogAttributes;
  readonly script: ScriptAttributes;
  readonly noscript: GlobalAttributes;
  readonly template: TemplateAttributes;
  readonly slot: SlotAttributes;
  readonly canvas: CanvasAttributes;
  readonly animate: AnimateAttributes;
  readonly animateMotion: AnimateMotionAttributes;
  readonly animateTransform: AnimateTransformAttributes;
  readonly circle: CircleAttributes;
  readonly clipPath: ClipPathAttributes;
  readonly defs: DefsAttributes;
  readonly desc: DescAttributes;
  readonly ellipse: EllipseAttributes;
  readonly feBlend: FeBlendAttributes;
  readonly feColorMatrix: FeColorMatrixAttributes;
  readonly feComponentTransfer: FeComponentTransferAttributes;
  readonly feComposite: FeCompositeAttributes;
  readonly feConvolveMatrix: FeConvolveMatrixAttributes;
  readonly feDiffuseLighting: FeDiffuseLightingAttributes;
  readonly feDisplacementMap: FeDisplacementMapAttributes;
  readonly feDistantLight: FeDistantLightAttributes;
  readonly feDropShadow: FeDropShadowAttributes;
  readonly feFlood: FeFloodAttributes;
  readonly feFuncA: FeFuncAAttributes;
  readonly feFuncB: FeFuncBAttributes;
  readonly feFuncG: FeFuncGAttributes;
  readonly feFuncR: FeFuncRAttributes;
  readonly feGaussianBlur: FeGaussianBlurAttributes;
  readonly feImage: FeImageAttributes;
  readonly feMerge: FeMergeAttributes;
  readonly feMergeNode: FeMergeNodeAttributes;
  readonly feMorphology: FeMorphologyAttributes;
  readonly feOffset: FeOffsetAttributes;
  readonly fePointLight: FePointLightAttributes;
  readonly feSpecularLighting: FeSpecularLightingAttributes;
  readonly feSpotLight: FeSpotLightAttributes;
  readonly feTile: FeTileAttributes;
  readonly feTurbulence: FeTurbulenceAttributes;
  readonly filter: FilterAttributes;
  readonly foreignObject: ForeignObjectAttributes;
  readonly g: GAttributes;
  readonly image: ImageAttributes;
  readonly line: LineAttributes;
  readonly linearGradient: LinearGradientAttributes;
  readonly marker: MarkerAttributes;
  readonly mask: MaskAttributes;
  readonly metadata: MetadataAttributes;
  readonly mpath: MpathAttributes;
  readonly path: PathAttributes;
  readonly pattern: PatternAttributes;
  readonly polygon: PolygonAttributes;
  readonly polyline: PolylineAttributes;
  readonly radialGradient: RadialGradientAttributes;
  readonly rect: RectAttributes;
  readonly set: SetAttributes;
  readonly stop: StopAttributes;
  readonly svg: SvgAttributes;
  readonly switch: SwitchAttributes;
  readonly symbol: SymbolAttributes;
  readonly text: TextAttributes;
  readonly textPath: TextPathAttributes;
  readonly tspan: TspanAttributes;
  readonly use: UseAttributes;
  readonly view: ViewAttributes;
}

/** The elements that take no content. */
export type VoidTag = 'area' | 'base' | 'br' | 'col' | 'embed' | 'hr' | 'img' | 'input' | 'link' | 'meta' | 'source' | 'track' | 'wbr';
