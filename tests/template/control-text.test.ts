import { expect, test } from 'vitest';
import { controlText } from '../../packages/lattice/src/template/control-text.js';

/** The week of ISO 8601 by counting: a year's first week is the one with its first Thursday. */
function countedWeek(day: Date): string {
  for (const year of [day.getUTCFullYear() + 1, day.getUTCFullYear(), day.getUTCFullYear() - 1]) {
    const first = new Date(Date.UTC(year, 0, 1));
    while (first.getUTCDay() !== 4) first.setUTCDate(first.getUTCDate() + 1);
    first.setUTCDate(first.getUTCDate() - 3);
    const days = Math.round((day.getTime() - first.getTime()) / 86_400_000);
    if (days >= 0) return `${year}-W${String(Math.floor(days / 7) + 1).padStart(2, '0')}`;
  }
  throw new Error('no week');
}

test('a day is in the week that counting finds, for twelve years', () => {
  for (let at = Date.UTC(2019, 0, 1); at < Date.UTC(2031, 0, 1); at += 86_400_000)
    expect(controlText(new Date(at), 'week')).toBe(countedWeek(new Date(at)));
});

test.each([
  ['date', '2026-03-04'],
  ['month', '2026-03'],
  ['time', '05:06'],
  ['text', '2026-03-04'],
  ['', '2026-03-04'],
])('a date in a control of the type %s', (type, text) => {
  expect(controlText(new Date(Date.UTC(2026, 2, 4, 5, 6, 7)), type)).toBe(text);
  expect(controlText(new Date(Number.NaN), type)).toBe('');
  expect(controlText(undefined, type)).toBe('');
  expect(controlText(null, type)).toBe('');
  expect(controlText(0, type)).toBe('0');
});

test('a time of the day where the page is', () => {
  const at = new Date(2026, 2, 4, 5, 6);
  expect(controlText(at, 'datetime-local')).toBe('2026-03-04T05:06');
});
