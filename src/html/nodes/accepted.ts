import { classWriter, type Frame, type Report, styleWriter } from '../../template/index.js';
import type { Write } from '../chunks.js';
import { escapeAttribute } from '../escape.js';
import type { Pass } from '../pass.js';
import { walkAttribute } from '../walk.js';

type Attributes = Readonly<Record<string, unknown>>;

/**
 * The attributes of an element that also takes those given at the use. They are merged as `docs/presets.md` says:
 * the use's come later, classes stand together, styles too.
 */
export function acceptedWriter(tag: string | ((frame: Frame) => string), own: Attributes): Write {
  return (frame, pass) => {
    const name = typeof tag === 'string' ? tag : tag(frame);
    const given = frame.accepted ?? {};
    const names = new Set([...Object.keys(own), ...Object.keys(given)]);
    let text = '';
    for (const attribute of names)
      text += merged(name, attribute, own[attribute], given[attribute], frame, pass);
    return text;
  };
}

/** The use's value is read in the frame it is written in. */
function merged(tag: string, name: string, own: unknown, given: unknown, frame: Frame, pass: Pass): string {
  const owner = frame.owner ?? frame;
  if (name !== 'class' && name !== 'style') {
    return given === undefined
      ? walkAttribute(tag, name, own, frame, pass)
      : walkAttribute(tag, name, given, owner, pass);
  }
  if (given === null) return '';
  const report: Report = (found) => pass.report(found, frame);
  const texts = [joinable(tag, name, own, frame, report), joinable(tag, name, given, owner, report)];
  const text = texts.filter((one) => one !== '').join(name === 'class' ? ' ' : '; ');
  return text === '' ? '' : ` ${name}="${escapeAttribute(text)}"`;
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
