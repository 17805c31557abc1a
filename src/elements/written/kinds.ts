import type { AnyKind } from '../../component/index.js';
import type { LiveName } from '../draft/call.js';
import type { KindOf } from '../draft/props.js';
import { keyCode, NotWritten, type Writer } from './writer.js';

/** The code of a prop's kind. */
export function kindCode(of: KindOf, to: Writer): string {
  const code = ruleCode(of.kind, of, to, true);
  return of.kind.settings.tests.length === 0 ? code : to.call('testedKind', code, to.kindPart(of, 'tests'));
}

const plainKinds: Readonly<Record<string, LiveName>> = {
  text: 'textKind',
  number: 'numberKind',
  flag: 'flagKind',
  date: 'dateKind',
  url: 'urlKind',
  any: 'anyKind',
};

/** The code of a kind's rules; `isWhole` where it is the prop's own, and not one inside of it. */
function ruleCode({ rules, settings }: AnyKind, of: KindOf, to: Writer, isWhole = false): string {
  if (!isWhole && settings.tests.length > 0) throw new NotWritten(`a test inside the prop "${of.prop}"`);
  const { holds, word } = rules;
  const plain = plainKinds[word];
  if (plain) return to.name(plain);
  switch (word) {
    case 'choice':
    case 'tag':
      return to.call('choiceKind', JSON.stringify(holds));
    case 'list': {
      const item = holds as AnyKind;
      return item.rules.word === 'any' ? to.name('listKind') : to.call('listOf', ruleCode(item, of, to));
    }
    case 'record': {
      if (holds === undefined) return to.name('anyRecordKind');
      const fields = Object.entries(holds as Readonly<Record<string, AnyKind>>).map(
        ([name, kind]) =>
          `${keyCode(name)}: [${ruleCode(kind, of, to)}, ${kind.settings.presence === 'required'}]`,
      );
      return to.call('recordKind', `{ ${fields.join(', ')} }`);
    }
    case 'schema':
      if (isWhole) return to.call('schemaKind', to.kindPart(of, 'schema'));
      throw new NotWritten(`the prop "${of.prop}" holds values of a schema`);
    default:
      throw new NotWritten(`props of the kind ${word}`);
  }
}
