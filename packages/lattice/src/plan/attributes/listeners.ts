import { finding, nearestOr, printValue } from '../../problem/index.js';
import {
  coreOf,
  ExprCore,
  isHandlerCall,
  isListenerFunction,
  operand,
  type Report,
} from '../../template/index.js';
import { isNothing, type ListenerAttribute } from './plan-attribute.js';

/** An element's listeners: for each event, with the words behind its name, the handler that hears it. */
export function planListeners(value: unknown, tag: string, report: Report): readonly ListenerAttribute[] {
  if (isNothing(value)) return [];
  const say = (attribute: string, fault: string, hint: string): void =>
    report(finding('attribute-invalid', { attribute, tag, fault, hint }));
  const fault = (attribute: string, got: unknown, wanted: string): void =>
    say(
      attribute,
      `expects ${wanted}, but received ${printValue(got)}`,
      'Declare a handler, and call it: on: { click: handlers.add(1) }.',
    );
  if (typeof value !== 'object' || Array.isArray(value)) {
    fault('on', value, 'a record of handlers by event');
    return [];
  }
  const planned: ListenerAttribute[] = [];
  for (const [written, given] of Object.entries(value ?? {})) {
    const call =
      isListenerFunction(given) && !coreOf(given) ? given(new ExprCore({ op: 'event' }).face) : given;
    if (!isHandlerCall(call)) {
      const wanted =
        call === given ? 'the call of a handler' : 'a function that returns the call of a handler';
      if (!isNothing(given)) fault(`on.${written}`, call, wanted);
      continue;
    }
    const [type = '', ...words] = written.trim().split(/\s+/);
    const when = listening(type, words, (why, hint) => say(`on.${written}`, why, hint));
    planned.push({
      kind: 'listener',
      key: ['on', type, ...words].join(' '),
      type,
      handler: call.handler,
      args: call.args.map(operand),
      ...when,
    });
  }
  return planned;
}

const ways = ['passive', 'once', 'capture'] as const;
const isWay = (word: string): word is (typeof ways)[number] => (ways as readonly string[]).includes(word);
const keyEvents = /^key(?:down|up|press)$/;

/** What the words behind an event's name say: how it is heard, and for which keys. */
function listening(
  type: string,
  words: readonly string[],
  say: (fault: string, hint: string) => void,
): Pick<ListenerAttribute, 'keys' | 'ways'> {
  const keys: string[] = [];
  const heard: Partial<Record<(typeof ways)[number], true>> = {};
  for (const word of words) {
    if (isWay(word)) heard[word] = true;
    else if (!keyEvents.test(type))
      say(
        `has the word ${JSON.stringify(word)} behind the event ${type}`,
        nearestOr(word, ways, 'The words are passive, once and capture; keys are for keydown and keyup.'),
      );
    else {
      const key = keyOf(word);
      if (key) keys.push(key);
      else
        say(
          `has ${JSON.stringify(word)}, which is no key`,
          'Keys have the names of the standard, behind modifier keys: Enter, ArrowDown, Space, Control+s, Shift+Tab.',
        );
    }
  }
  return {
    ...(keys.length > 0 && { keys }),
    ...(Object.keys(heard).length > 0 && { ways: heard }),
  };
}

const held = ['Control', 'Alt', 'Meta', 'Shift'];

/** A key as a page compares it (https://www.w3.org/TR/uievents-key/): those that are held in their order, then its own name. */
function keyOf(word: string): string | undefined {
  const parts = word === '+' ? ['+'] : word.split(/\+(?!$)/);
  const last = parts.pop() ?? '';
  const isCharacter = [...last].length === 1;
  if (!isCharacter && !/^[A-Z][A-Za-z]*\d*$/.test(last)) return undefined;
  if (parts.some((one) => !held.includes(one)) || new Set(parts).size < parts.length) return undefined;
  // Of a character the key that was held is part of it.
  if (isCharacter && parts.includes('Shift') && parts.length === 1) return undefined;
  const name = last === 'Space' ? ' ' : isCharacter && parts.length > 0 ? last.toLowerCase() : last;
  return [...held.filter((one) => parts.includes(one)), name].join('+');
}
