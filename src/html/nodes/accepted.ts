import {
  attributeText,
  classWriter,
  coreOf,
  type Frame,
  isNameFit,
  type Report,
  styleWriter,
} from '../../template/index.js';
import type { Write } from '../chunks.js';
import { escapeAttribute } from '../escape.js';

type Attributes = Readonly<Record<string, unknown>>;

/**
 * The attributes of an element that also takes those given at the use. They are merged as `docs/presets.md` says:
 * the use's come later, classes stand together, styles too.
 */
export function acceptedWriter(tag: string | ((frame: Frame) => string), own: Attributes): Write {
  return (frame, pass) => {
    const name = typeof tag === 'string' ? tag : tag(frame);
    const report: Report = (found) => pass.report(found, frame);
    const given = frame.accepted ?? {};
    const names = new Set([...Object.keys(own), ...Object.keys(given)]);
    let text = '';
    for (const attribute of names) {
      text += merged(name, attribute, own[attribute], frame, given[attribute], frame.owner ?? frame, report);
    }
    return text;
  };
}

function merged(
  tag: string,
  name: string,
  own: unknown,
  frame: Frame,
  given: unknown,
  owner: Frame,
  report: Report,
): string {
  if (name === 'on' || name === 'bind' || name === 'json') return '';
  if (name === 'class' || name === 'style') {
    const texts =
      given === null
        ? []
        : [joinable(tag, name, own, frame, report), joinable(tag, name, given, owner, report)];
    const text = texts.filter((one) => one !== '').join(name === 'class' ? ' ' : '; ');
    return text === '' ? '' : ` ${name}="${escapeAttribute(text)}"`;
  }
  if (!isNameFit(tag, name, report)) return '';
  const value = given === undefined ? plainValue(own, frame) : plainValue(given, owner);
  const text = attributeText(tag, name, value, report);
  if (text === null) return '';
  return text === true ? ` ${name}` : ` ${name}="${escapeAttribute(text)}"`;
}

function joinable(
  tag: string,
  name: 'class' | 'style',
  value: unknown,
  frame: Frame,
  report: Report,
): string {
  if (name === 'class') {
    const classes = classWriter(value);
    return typeof classes === 'string' ? classes : classes(frame);
  }
  const styles = styleWriter(tag, value, report);
  return typeof styles === 'string' ? styles : styles(frame, report);
}

function plainValue(value: unknown, frame: Frame): unknown {
  const core = coreOf(value);
  return core ? core.get(frame) : value;
}
