import { type Expr, el, preset, trusted } from 'zesty-lattice';

declare const text: Expr<string>;
declare const flag: Expr<boolean>;
declare const number: Expr<number>;
declare const kind: Expr<'submit' | 'reset'>;
declare const maybe: Expr<string | undefined>;
declare const row: Expr<{ readonly name: string }>;

// Attributes of the element, its global ones, aria and data.
el.a({ href: '/', target: '_blank', download: true, hreflang: 'en' }, 'x');
el.a({ href: text, title: maybe, hidden: flag, tabindex: number }, 'x');
el.button({ type: 'submit', disabled: flag, popovertarget: text, formnovalidate: true }, 'x');
el.button({ type: kind }, 'x');
el.input({ type: 'email', autocomplete: 'email', maxlength: 3, min: '2026-01-01', value: number });
el.input({ autocomplete: 'shipping street-address' });
el.img({ src: text, alt: '', loading: 'lazy', width: 3, height: '4', decoding: 'async' });
el.td({ colspan: 2, headers: 'a b' }, 'x');
el.th({ scope: 'row' }, 'x');
el.p({ id: 'a', lang: 'en', dir: 'rtl', 'data-any': 1, 'aria-label': text, role: 'note' });
el.p({ 'aria-hidden': true, 'aria-current': 'page', 'aria-live': 'polite', 'aria-level': 2 });
el.p({ class: ['a', { b: flag, c: true }, text, null, ['d', false]] });
el.p({ style: { color: text, '--tone': 3, 'margin-top': null } });
el.p({ hidden: 'until-found', contenteditable: 'plaintext-only', popover: 'manual', inert: true });
el.ol({ start: 3, reversed: true, type: 'a' }, el.li({ value: 3 }, 'x'));
el.iframe({ srcdoc: trusted('<p>'), loading: 'lazy', sandbox: 'allow-forms' });
el.script({ type: 'application/json', json: { a: [1, null] } });
el.script({ type: 'application/json', json: row });
el.label({ for: text }, 'x');
el.details({ open: flag, name: 'a' }, el.summary('x'));
el.circle({ cx: 1, cy: '2', r: number, fill: text, 'stroke-width': 2 });
el.svg({ viewBox: '0 0 1 1', 'aria-hidden': true }, el.path({ d: 'M0 0' }), el.linearGradient({ id: 'g' }));
el.time({ datetime: text }, 'x');
el.form({ method: 'dialog', novalidate: true }, 'x');

// @ts-expect-error <a> has no attribute "hreff"
el.a({ hreff: '/' }, 'x');
// @ts-expect-error <p> has no attribute "href"
el.p({ href: '/' }, 'x');
// @ts-expect-error a button's type is button, submit or reset
el.button({ type: 'sumbit' }, 'x');
// @ts-expect-error any text may be no button type
el.button({ type: text }, 'x');
// @ts-expect-error "disabled" is yes or no
el.button({ disabled: 'disabled' }, 'x');
// @ts-expect-error "disabled" is yes or no, also as an expression
el.button({ disabled: text }, 'x');
// @ts-expect-error there is no input type "mail"
el.input({ type: 'mail' });
// @ts-expect-error "maxlength" is a number
el.input({ maxlength: 'long' });
// @ts-expect-error an image loads eagerly or lazily
el.img({ loading: 'slow', alt: '' });
// @ts-expect-error "alt" takes text
el.img({ alt: 3 });
// @ts-expect-error a cell spans a number of columns
el.td({ colspan: 'two' }, 'x');
// @ts-expect-error a scope is row, col, rowgroup or colgroup
el.th({ scope: 'column' }, 'x');
// @ts-expect-error directions are ltr, rtl and auto
el.p({ dir: 'left' });
// @ts-expect-error there is no attribute "aria-lable"
el.p({ 'aria-lable': 'x' });
// @ts-expect-error a live region is off, polite or assertive
el.p({ 'aria-live': 'loud' });
// @ts-expect-error event attributes as text carry scripts: use on
el.p({ onclick: 'go()' });
// @ts-expect-error "on" takes calls of handlers, not functions
el.p({ on: { click: () => 1 } });
// @ts-expect-error srcdoc takes trusted HTML alone
el.iframe({ srcdoc: '<p>' });
// @ts-expect-error a record is no attribute value
el.p({ title: row });
// @ts-expect-error a style is a record of CSS properties, or constant text
el.p({ style: text });
// @ts-expect-error a class is no number
el.p({ class: 3 });
// @ts-expect-error <br> takes no content
el.br('x');
// @ts-expect-error <img> takes no content
el.img({ alt: '' }, 'x');
// @ts-expect-error <input> takes no content, not even an element
el.input(el.p('x'));
// @ts-expect-error there is no element <artcle>
el.artcle('x');
// @ts-expect-error <font> is obsolete
el.font('x');
// @ts-expect-error "bgcolor" is obsolete
el.td({ bgcolor: 'red' }, 'x');
// @ts-expect-error "align" is obsolete
el.table({ align: 'left' });
// @ts-expect-error a circle has a radius r, not "radius"
el.circle({ radius: 3 });
// @ts-expect-error a true is no content
el.p(true);
// @ts-expect-error a record is no content
el.p('a', row);

// Tags known at render time, and custom elements from elsewhere.
declare const tag: Expr<'label' | 'a'>;
el.of(tag, { class: 'x' }, 'y');
el.of('star-rating', { stars: 3, label: text }, 'y');

// Presets keep the types of what they are made of.
const press = preset(el.button, { type: 'button', class: 'press' });
press('Go');
press({ class: 'wide', disabled: flag }, 'Go', el.b('!'));
preset(press, { title: 'x' })('Go');
preset(el.input, { type: 'email' })({ name: 'x' });
// @ts-expect-error a button has no attribute "href", in a preset as well
press({ href: '/' }, 'Go');
// @ts-expect-error the preset itself is checked
preset(el.button, { type: 'bottom' });
// @ts-expect-error a preset of a void element takes no content either
preset(el.input, { type: 'email' })({ name: 'x' }, 'y');
