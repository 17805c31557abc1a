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

function ruleCode({ rules, settings }: AnyKind, of: KindOf, to: Writer, isWhole = false): string {
  const { holds, word } = rules;
  const plain = plainKinds[word];
  if (plain) return innerTests(to.name(plain), settings.tests.length > 0 && !isWhole);
  if (word === 'choice' || word === 'tag')
    return innerTests(to.call('choiceKind', JSON.stringify(holds)), settings.tests.length > 0 && !isWhole);
  if (word === 'of') {
    if (!isWhole) throw new NotWritten(`the prop "${of.prop}" holds values of a schema`);
    return to.call('schemaKind', to.kindPart(of, 'schema'));
  }
  if (word === 'list') {
    const item = holds as AnyKind;
    return innerTests(
      item.rules.word === 'any' ? to.name('listKind') : to.call('listOf', ruleCode(item, of, to)),
      settings.tests.length > 0 && !isWhole,
    );
  }
  if (word === 'record') {
    const fields = Object.entries(holds as Readonly<Record<string, AnyKind>>).map(
      ([name, kind]) =>
        `${keyCode(name)}: [${ruleCode(kind, of, to)}, ${kind.settings.presence === 'required'}]`,
    );
    return innerTests(
      to.call('recordKind', `{ ${fields.join(', ')} }`),
      settings.tests.length > 0 && !isWhole,
    );
  }
  throw new NotWritten(`props of the kind ${word}`);

  function innerTests(code: string, hasTests: boolean): string {
    if (hasTests) throw new NotWritten(`a test inside the prop "${of.prop}"`);
    return code;
  }
}
