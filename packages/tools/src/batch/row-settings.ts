import { fieldsIn, textOf } from './names.js';
import { isDirection, type PageSettings, type Props } from './page-of.js';

/** What settings of a page may name fields of its row. */
type RowSettings = Pick<PageSettings, 'dir' | 'lang' | 'title'>;

/** The fields that the settings of a page take from its row. */
export function fieldsOfSettings({ dir, lang, title }: RowSettings): readonly string[] {
  return [dir, lang, title].flatMap((one) => (one === undefined ? [] : [...fieldsIn(one)]));
}

/**
 * What a row says of its page: its title, language and direction; or what is wrong there, completing "The row … ", or
 * "The page … ".
 */
export function settingsOf(
  { dir, lang, title }: RowSettings,
  record: Props,
  number: number,
): { readonly settings: RowSettings } | { readonly fault: string } {
  const said = (pattern: string | undefined): string | undefined =>
    pattern === undefined ? undefined : textOf(pattern, record, number);
  const [tag, direction] = [said(lang), said(dir)];
  const wrong =
    tag !== undefined && !isLanguage(tag)
      ? `names ${JSON.stringify(tag)} as language: write a tag such as en or pt-BR`
      : direction !== undefined && !isDirection(direction)
        ? `names ${JSON.stringify(direction)} as direction: write ltr, rtl or auto`
        : undefined;
  if (wrong !== undefined) return { fault: wrong };
  return { settings: { lang: tag, dir: direction, title: said(title) } };
}

const languages = new Map<string, boolean>();

/** Whether a text is well formed as a BCP 47 tag. Rows are of few languages. */
function isLanguage(tag: string): boolean {
  const known = languages.get(tag);
  if (known !== undefined) return known;
  let is = false;
  try {
    is = Intl.getCanonicalLocales(tag).length === 1;
  } catch {
    // A text such as "not a tag" is none.
  }
  if (languages.size < 1_000) languages.set(tag, is);
  return is;
}
