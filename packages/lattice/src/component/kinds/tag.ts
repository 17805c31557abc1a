import { dev, refuseCall } from '../../problem/index.js';
import { Kind } from '../kind.js';
import { areWords, choiceRule } from './choice.js';

declare const first: unique symbol;

/** The kind of an element's name. `First` is the one that stands when none is given. */
export class TagKind<Tags extends string, First extends Tags> extends Kind<Tags, Tags, 'fallback'> {
  declare readonly [first]: First;

  override fallback<Tag extends Tags>(tag: Tag): TagKind<Tags, Tag> {
    return new TagKind<Tags, Tag>(this.rules, { ...this.settings, presence: 'fallback', fallbackValue: tag });
  }
}

/**
 * The name of an element out of a fixed set, for `el.of`. The first is the one that stands when none is given.
 *
 * @throws LatticeError `call-invalid`, during development
 * @example prop.tag(['p', 'h2', 'label'])
 */
export function tag<const Tags extends readonly [string, ...string[]]>(
  tags: Tags,
): TagKind<Tags[number], Tags[0]> {
  if (dev && !areWords(tags))
    refuseCall(tag, 'prop.tag', 'expects a list of element names', "Write prop.tag(['p', 'h2']).");
  return new TagKind<Tags[number], Tags[0]>({
    ...choiceRule(tags),
    word: 'tag',
    expected: `one of the elements ${tags.join(', ')}`,
    code: { name: 'choiceRule', args: [tags] },
    write: (value) => value,
    holds: tags,
  }).fallback(tags[0]);
}
