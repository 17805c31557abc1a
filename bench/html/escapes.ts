// Escaping against the entities package: short and long, clean and dirty, of one byte a character and of two.
import { escapeAttribute as theirAttribute, escapeText as theirText } from 'entities';
import { escapeAttribute, escapeText } from 'zesty-lattice/html';

const texts: Readonly<Record<string, string>> = {
  ASCII: 'Thin skin, sharp and bright as a bell',
  Latin: 'Müller’s grove, très sucré, ñandú'.replace('’', "'"),
  CJK: '柑橘園の開放日、甘い香り',
  emoji: '🍊 one, 🍋 two 🌳',
};
const results: { text: string; length: number; dirty: boolean; text_: number; attribute: number }[] = [];
for (const [name, words] of Object.entries(texts)) {
  for (const times of [1, 100]) {
    for (const dirty of [false, true]) {
      const all = Array.from({ length: 50 }, (_, n) => {
        const text = Array.from({ length: times }, () => words).join(' ') + n;
        return dirty ? `${text.slice(0, 9)}<b> & ${text.slice(9)}` : text;
      });
      const ratio = (ours: (text: string) => string, theirs: (text: string) => string): number => {
        const spent: [number[], number[]] = [[], []];
        for (let round = 0; round < 41; round++) {
          for (const at of round % 2 === 0 ? [0, 1] : [1, 0]) {
            const work = at === 0 ? ours : theirs;
            const start = process.hrtime.bigint();
            let length = 0;
            for (let n = 0; n < (times === 1 ? 400 : 20); n++)
              for (const text of all) length += work(text).length;
            if (length === 0) throw new Error('Nothing was escaped.');
            (spent[at] as number[]).push(Number(process.hrtime.bigint() - start));
          }
        }
        const [a, b] = spent.map((one) => one.slice(5).sort((x, y) => x - y)[18] ?? 1);
        return (a ?? 1) / (b ?? 1);
      };
      results.push({
        text: name,
        length: all[0]?.length ?? 0,
        dirty,
        text_: ratio(escapeText, theirText),
        attribute: ratio(escapeAttribute, theirAttribute),
      });
    }
  }
}
console.log(JSON.stringify(results));
