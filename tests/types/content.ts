import { type Content, calc, type Expr, eachOf, el, given, phrase, trusted, uid } from 'zesty-lattice';
import { same, takes } from './expect.js';

interface Variety {
  readonly name: string;
  readonly crates: number;
  readonly note?: string;
  readonly place: { readonly row: number; readonly side?: 'left' | 'right' };
  readonly picks: readonly { readonly day: Date; readonly by: readonly string[] }[];
}
declare const variety: Expr<Variety>;
declare const missing: Expr<Variety | undefined>;
declare const list: Expr<readonly Variety[]>;

// Fields are reached as on the value.
same<typeof variety.name, Expr<string>>(true);
same<typeof variety.note, Expr<string | undefined>>(true);
same<typeof variety.place.row, Expr<number>>(true);
same<typeof variety.place.side, Expr<'left' | 'right' | undefined>>(true);
same<typeof variety.picks.length, Expr<number>>(true);
takes<Expr<number>>(list.length);
takes<Expr<string>>(missing.name);
// @ts-expect-error a variety has no field "nmae"
takes(variety.nmae);
// @ts-expect-error lists have no methods here: use eachOf or calc
variety.picks.map(String);
// @ts-expect-error text has no methods here: use calc
variety.name.toUpperCase();
// @ts-expect-error an expression cannot be added to
takes<number>(variety.crates + 1);
// @ts-expect-error an expression cannot be compared
takes(variety.crates > 1);

// What is content, and what is not.
takes<Content>(variety.name);
takes<Content>(variety.crates);
takes<Content>(variety.note);
takes<Content>(['a', variety.name, [el.br(), null]]);
takes<Content>(phrase`a ${variety.name} ${3}`);
takes<Content>(trusted('<b>'));
// @ts-expect-error a record is no content: reach for a field
takes<Content>(variety);
// @ts-expect-error a list is no content: use eachOf
takes<Content>(list);
// @ts-expect-error a date is no content: make text of it with calc
takes<Content>(calc(variety, () => new Date()));
// @ts-expect-error true is no content
takes<Content>(true);
// @ts-expect-error a plain record is no content
takes<Content>({ a: 1 });
// @ts-expect-error a yes or no is no content: use given
takes<Content>(calc(variety.crates, (n) => n > 1));
// @ts-expect-error a function is no content
takes<Content>(() => 'x');
// @ts-expect-error a phrase joins text and numbers, not records
phrase`${variety}`;
// @ts-expect-error only text can be trusted
trusted(variety.crates);

// calc infers from its inputs.
same<ReturnType<typeof length>, Expr<number>>(true);
const length = () => calc(variety.name, (name) => name.length);
const joined = calc(variety.name, variety.crates, 3, (name, crates, times) => {
  same<typeof name, string>(true);
  same<typeof crates, number>(true);
  same<typeof times, number>(true);
  return `${name}${crates * times}`;
});
same<typeof joined, Expr<string>>(true);
const picked = calc(variety, ({ place }) => place);
same<typeof picked.row, Expr<number>>(true);
calc(variety.note, (note) => {
  same<typeof note, string | undefined>(true);
  // @ts-expect-error the note may be missing
  return note.length;
});
// @ts-expect-error the function gets a number, not a text
calc(variety.crates, (crates: string) => crates);
// @ts-expect-error the last argument is a function
calc(variety.crates, 'text');

// given narrows what may be missing, for its first content.
given(variety.note, (note) => {
  same<typeof note, Expr<string>>(true);
  return note;
});
given(missing, (one) => one.name, 'none');
given(missing, (one) => {
  same<typeof one.place, Expr<Variety['place']>>(true);
  return null;
});
given(variety.crates, el.p('some'), el.p('none'));
given(true, 'a', 'b');
// @ts-expect-error a record is no content here either
given(variety.crates, variety);
// @ts-expect-error a list cannot be the other content
given(variety.crates, 'x', list);

// eachOf gives expressions of the item and its number.
eachOf(
  list,
  (item, index) => {
    same<typeof item, Expr<Variety>>(true);
    same<typeof index, Expr<number>>(true);
    return el.li(item.name, index);
  },
  { key: 'name', empty: el.p('none') },
);
eachOf(list, (item) => item.name, { key: (item) => item.place.row });
eachOf([1, 2, 3], (n) => {
  same<typeof n, Expr<number>>(true);
  return n;
});
eachOf(missing.picks, (pick) => eachOf(pick.by, (name) => name));
// @ts-expect-error a variety has no field "id" to be its key
eachOf(list, (item) => item.name, { key: 'id' });
// @ts-expect-error a key is a text or a number
eachOf(list, (item) => item.name, { key: (item) => item.place });
// @ts-expect-error a record is no row content
eachOf(list, (item) => item);
// @ts-expect-error only lists repeat
eachOf(variety.name, () => 'x');
// @ts-expect-error only lists repeat, not numbers
eachOf(3, () => 'x');

same<ReturnType<typeof uid>, Expr<string>>(true);
// @ts-expect-error an id needs a label
uid();
