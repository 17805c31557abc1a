import {
  type AnyComponent,
  type Content,
  calc,
  component,
  type Expr,
  el,
  type PropsOf,
  preset,
  prop,
  resolve,
  type SlotsOf,
  slot,
} from 'zesty-lattice';
import { renderHtml, renderPage } from 'zesty-lattice/html';
import { same, takes } from './expect.js';

const Card = component('type-card', {
  props: {
    title: prop.text(),
    season: prop.choice(['early', 'late']).fallback('early'),
    crates: prop.number().fallback(0),
    note: prop.text().optional(),
    rare: prop.flag(),
    day: prop.date().optional(),
    link: prop.url().optional(),
    place: prop.record({ row: prop.number(), label: prop.text().optional() }).optional(),
    tags: prop.list(prop.text()).fallback([]),
  },
  slots: { default: slot(), badge: slot() },
  template: ({ props, slots }) => {
    same<typeof props.title, Expr<string>>(true);
    same<typeof props.season, Expr<'early' | 'late'>>(true);
    same<typeof props.crates, Expr<number>>(true);
    same<typeof props.note, Expr<string | undefined>>(true);
    same<typeof props.rare, Expr<boolean>>(true);
    same<typeof props.day, Expr<Date | undefined>>(true);
    same<typeof slots.badge.filled, Expr<boolean>>(true);
    // @ts-expect-error the component declares no prop "titel"
    takes(props.titel);
    // @ts-expect-error the component declares no slot "foter"
    takes(slots.foter);
    // @ts-expect-error an expression is not a plain text
    takes<string>(props.title);
    // @ts-expect-error an expression of a number is not one of a text
    takes<Expr<string>>(props.crates);
    // @ts-expect-error a slot without data takes no data besides its fallback
    slots.badge('fallback', 'more');
    return el.p(props.title, slots.default(), slots.badge('none'));
  },
});
declare const text: Expr<string>;
declare const number: Expr<number>;
declare const season: Expr<'early' | 'late'>;
declare const maybe: Expr<string | undefined>;

Card({ title: 'a' });
Card({ title: text });
Card({ title: 'a', season: 'late', crates: 3, rare: true });
Card({ title: 'a', season, crates: number });
Card({ title: 'a', note: maybe, crates: undefined });
Card({ title: 'a', tags: ['x'], place: { row: 1 }, day: new Date() });
Card({ title: 'a' }, 'text');
Card({ title: 'a' }, el.p('x'));
Card({ title: 'a' }, ['text', el.p('x'), 3, null, false, text, number]);
Card({ title: 'a' }, { default: 'x', badge: el.b('y') });
Card({ title: 'a' }, { badge: undefined });

// @ts-expect-error the required prop "title" is missing
Card({});
// @ts-expect-error the required prop "title" is missing, and so is the whole record
Card();
// @ts-expect-error "titel" is no prop
Card({ title: 'a', titel: 'b' });
// @ts-expect-error "title" takes text, not a number
Card({ title: 3 });
// @ts-expect-error "crates" takes a number, not text
Card({ title: 'a', crates: '3' });
// @ts-expect-error "season" takes "early" or "late"
Card({ title: 'a', season: 'middle' });
// @ts-expect-error "season" takes "early" or "late", not any text
Card({ title: 'a', season: text });
// @ts-expect-error "rare" takes true or false
Card({ title: 'a', rare: 'true' });
// @ts-expect-error "title" is required, and may not be missing
Card({ title: maybe });
// @ts-expect-error "title" may not be undefined
Card({ title: undefined });
// @ts-expect-error "day" takes a date
Card({ title: 'a', day: '2026-11-28' });
// @ts-expect-error "tags" takes texts
Card({ title: 'a', tags: [1] });
// @ts-expect-error "place" needs its field "row"
Card({ title: 'a', place: { label: 'x' } });
// @ts-expect-error "place" has no field "rwo"
Card({ title: 'a', place: { row: 1, rwo: 2 } });
// @ts-expect-error there is no slot "badg"
Card({ title: 'a' }, { badg: 'x' });
// @ts-expect-error a slot without data takes content, not a function
Card({ title: 'a' }, { badge: () => 'x' });
// @ts-expect-error true is no content
Card({ title: 'a' }, true);
// @ts-expect-error a date is no content
Card({ title: 'a' }, new Date());
// @ts-expect-error one piece of content: put several in a list
Card({ title: 'a' }, 'x', 'y');

const Bare = component('bare-type', { props: { n: prop.number().optional() }, template: () => null });
Bare();
Bare({});
Bare({ n: 1 });
// @ts-expect-error it has no slots, so it takes no content
Bare({ n: 1 }, 'content');

const NoDefault = component('no-default', { slots: { head: slot() }, template: () => null });
NoDefault({}, { head: 'x' });
// @ts-expect-error it has no default slot for content without a name
NoDefault({}, 'content');
// @ts-expect-error content is no slot either
NoDefault({}, el.p('x'));

const Needs = component('needs-type', {
  slots: { default: slot.required(), head: slot() },
  template: () => null,
});
Needs({}, 'x');
Needs({}, { default: 'x', head: 'y' });
// @ts-expect-error its default slot has to be filled
Needs({});
// @ts-expect-error its default slot has to be filled, besides "head"
Needs({}, { head: 'y' });

const NeedsHead = component('needs-head', {
  slots: { default: slot(), head: slot.required() },
  template: () => null,
});
NeedsHead({}, { head: 'x' });
// @ts-expect-error its slot "head" has to be filled, by name
NeedsHead({}, 'x');

same<PropsOf<typeof Bare>, { n?: number | undefined }>(true);
same<SlotsOf<typeof Needs>, { default: Content; head?: Content }>(true);
same<PropsOf<typeof Card>['season'], 'early' | 'late' | undefined>(true);
same<PropsOf<typeof Card>['title'], string>(true);
// biome-ignore lint/suspicious/noExplicitAny: that it is not any is what is tested
same<PropsOf<typeof Card>['title'], any>(false);

const Late = preset(Card, { season: 'late' });
Late({ title: 'a' });
Late({ title: 'a', season: 'early' });
// @ts-expect-error the preset does not fill in "title"
Late({});
// @ts-expect-error the preset keeps the kind of "season"
Late({ title: 'a', season: 'x' });
// @ts-expect-error "seson" is no prop to fill in
preset(Card, { seson: 'late' });
// @ts-expect-error "season" cannot be filled in with a number
preset(Card, { season: 3 });
// @ts-expect-error nor is "seson" one beside another that is
preset(Card, { season: 'late', seson: 'late' });
const Press = preset(el.button, {
  type: 'button',
  class: 'press',
  'data-kind': 'press',
  'aria-pressed': true,
});
Press({ type: 'submit', disabled: true }, 'Save');
// @ts-expect-error a preset of a button takes the attributes of a button
Press({ href: '/' });
// @ts-expect-error "typ" is no attribute of a button
preset(el.button, { typ: 'button' });
// @ts-expect-error nor beside another that is
preset(el.button, { type: 'button', typ: 'button' });
// @ts-expect-error a button has no type "buton"
preset(el.button, { type: 'buton' });
preset(Press, { class: 'wide' })('Save');
preset(el.input, { type: 'checkbox', checked: true })({ name: 'agree' });
// @ts-expect-error a preset of a void element takes no content
preset(el.input, { type: 'checkbox' })('text');
preset(Late, { title: 'a' })();
const Line = component('tag-line', {
  props: { tag: prop.tag(['p', 'label']), tone: prop.choice(['loud', 'low']) },
  slots: { default: slot() },
  accepts: 'tag',
  template: ({ props, slots, accepted }) =>
    el.of(props.tag, { class: props.tone, ...accepted }, slots.default()),
});
const Loud = preset(Line, { tone: 'loud' });
Loud({ tag: 'label', for: 'x' }, 'text');
// @ts-expect-error a paragraph is for nothing
Loud({ tag: 'p', for: 'x' });
// @ts-expect-error "lod" is none of the tones
preset(Line, { tone: 'lod' });
// @ts-expect-error a preset is made of a builder or a component
preset('button', {});

renderHtml(Card, { title: 'a' });
renderHtml(Card({ title: 'a' }), { styles: true });
renderPage(Card({ title: 'a' }), { title: 'Page' });
// @ts-expect-error rendering a component takes its props
renderHtml(Card, { titel: 'a' });
// @ts-expect-error a component that needs a prop is not rendered without
renderHtml(Card);
renderHtml(Bare);
renderHtml(Bare, { n: 3 }, { styles: true });
// @ts-expect-error "stylse" is no option of a rendering
renderHtml(Card({ title: 'a' }), { stylse: true });
resolve(Card);
resolve(Card, { title: 'a' });
resolve(Card({ title: 'a' }));
// @ts-expect-error "titel" is no prop
resolve(Card, { titel: 'a' });
// @ts-expect-error a use has its props already
resolve(Card({ title: 'a' }), { title: 'b' });
declare const whichever: AnyComponent;
resolve(whichever, { any: 'prop' });
renderHtml(whichever, { any: 'prop' });
renderHtml(whichever);
// @ts-expect-error only components and their uses can be rendered
renderHtml('text');
// @ts-expect-error a page needs a title
renderPage(Card({ title: 'a' }), {});

component('kind-types', {
  props: {
    // @ts-expect-error the fallback of a number is a number
    a: prop.number().fallback('x'),
    // @ts-expect-error the fallback of a choice is one of its words
    b: prop.choice(['early', 'late']).fallback('middle'),
    // @ts-expect-error a test gets a number
    c: prop.number().where((n: string) => n === '', 'never'),
    // @ts-expect-error a choice needs a word
    d: prop.choice([]),
    e: prop.list(prop.number()).fallback([1]),
  },
  template: ({ props }) => calc(props.e, (list) => list.length),
});
