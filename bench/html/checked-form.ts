// (o) A form whose rows are checked records, with styles and attributes of every rule. (p) The same attributes, inline.
import { calc, component, eachOf, el, given, phrase, prop, slot } from 'zesty-lattice';
import { escapeAttribute, escapeText, renderHtml } from 'zesty-lattice/html';
import { type Field, fields } from './data.js';
import { inPieces, type Pieces } from './scenario.js';

interface Offer extends Field {
  readonly share: number;
  readonly more: string;
}

export const offers: readonly Offer[] = fields.slice(0, 100).map((field, n) => ({
  ...field,
  share: (n * 13) % 101,
  more: n % 7 === 0 ? `https://ninefold.example/shifts?n=${n}&of=100` : `/shifts/${n}`,
}));

const kind = prop.record({
  name: prop.text(),
  label: prop.text(),
  hint: prop.text(),
  type: prop.choice(['text', 'number']),
  needed: prop.flag(),
  max: prop.number(),
  share: prop.number(),
  more: prop.url(),
});

export const OfferForm = component('offer-form', {
  props: { offers: prop.list(kind) },
  styles: 'label { display: block } .needed { font-weight: bold }',
  template: ({ props }) =>
    el.form(
      { method: 'post' },
      eachOf(props.offers, (one) =>
        el.div(
          {
            class: ['field', one.type, { needed: one.needed }],
            style: { '--share': one.share, 'inline-size': phrase`${one.max}ch` },
            'data-max': one.max,
          },
          el.label({ for: one.name }, one.label),
          el.input({
            id: one.name,
            name: one.name,
            type: one.type,
            required: one.needed,
            maxlength: one.max,
            placeholder: one.hint,
            autocomplete: 'off',
            spellcheck: one.needed,
            'aria-required': one.needed,
          }),
          el.a({ href: one.more, rel: 'help' }, one.hint),
          given(
            calc(one.share, (share) => share > 50),
            el.small('Over half taken'),
          ),
        ),
      ),
    ),
});

const yes = (is: boolean): string => (is ? 'true' : 'false');
const mark = ' data-in="offer-form"';

const offerPlainly = ({ name, label, hint, type, needed, max, share, more }: Offer): string =>
  `<div class="field ${escapeAttribute(type)}${needed ? ' needed' : ''}" style="--share: ${share}; inline-size: ${max}ch" data-max="${max}"${mark}><label for="${escapeAttribute(name)}"${mark}>${escapeText(label)}</label><input id="${escapeAttribute(name)}" name="${escapeAttribute(name)}" type="${escapeAttribute(type)}"${needed ? ' required' : ''} maxlength="${max}" placeholder="${escapeAttribute(hint)}" autocomplete="off" spellcheck="${yes(needed)}" aria-required="${yes(needed)}"${mark}><a href="${escapeAttribute(more)}" rel="help"${mark}>${escapeText(hint)}</a>${share > 50 ? `<small${mark}>Over half taken</small>` : ''}</div>`;
export const offersPlainly = (): string =>
  `<form method="post"${mark}>${offers.map(offerPlainly).join('')}</form>`;

const unsafe = /[&<>"\r\0]/;
export const offersCarefully = inPieces(
  `<form method="post"${mark}>`,
  offers,
  (out, { name, label, hint, type, needed, max, share, more }) => {
    const n = unsafe.test(name) ? escapeAttribute(name) : name;
    const isSafe = !unsafe.test(hint);
    const text = isSafe ? hint : escapeText(hint);
    return `${out}<div class="field ${type}${needed ? ' needed' : ''}" style="--share: ${share}; inline-size: ${max}ch" data-max="${max}"${mark}><label for="${n}"${mark}>${unsafe.test(label) ? escapeText(label) : label}</label><input id="${n}" name="${n}" type="${type}"${needed ? ' required' : ''} maxlength="${max}" placeholder="${isSafe ? hint : escapeAttribute(hint)}" autocomplete="off" spellcheck="${needed}" aria-required="${needed}"${mark}><a href="${unsafe.test(more) ? escapeAttribute(more) : more}" rel="help"${mark}>${text}${share > 50 ? `</a><small${mark}>Over half taken</small></div>` : '</a></div>'}`;
  },
  '</form>',
);

const OfferBox = component('offer-box', {
  slots: { default: slot() },
  template: ({ slots }) => el.section(slots.default()),
});

/** Inputs that are put together where they are rendered, each a text of its own. */
export const inputsInline = (): string => {
  let html = '';
  for (const { name, type, needed, max, hint, share } of offers)
    html += renderHtml(
      OfferBox(
        {},
        el.p(
          { class: ['field', { needed }], style: { '--share': share } },
          el.input({
            id: name,
            name,
            type,
            required: needed,
            maxlength: max,
            placeholder: hint,
            'aria-required': needed,
          }),
        ),
      ),
    );
  return html;
};
const inputPlainly = ({ name, type, needed, max, hint, share }: Offer): string =>
  `<section><p class="field${needed ? ' needed' : ''}" style="--share: ${share}"><input id="${escapeAttribute(name)}" name="${escapeAttribute(name)}" type="${escapeAttribute(type)}"${needed ? ' required' : ''} maxlength="${max}" placeholder="${escapeAttribute(hint)}" aria-required="${yes(needed)}"></p></section>`;
export const inputsPlainly = (): string => {
  let html = '';
  for (const one of offers) html += inputPlainly(one);
  return html;
};
export const inputsCarefully: (to: Pieces) => void = inPieces(
  '',
  offers,
  (out, { name, type, needed, max, hint, share }) => {
    const n = unsafe.test(name) ? escapeAttribute(name) : name;
    return `${out}<section><p class="field${needed ? ' needed' : ''}" style="--share: ${share}"><input id="${n}" name="${n}" type="${type}"${needed ? ' required' : ''} maxlength="${max}" placeholder="${unsafe.test(hint) ? escapeAttribute(hint) : hint}" aria-required="${needed}"></p></section>`;
  },
  '',
);
