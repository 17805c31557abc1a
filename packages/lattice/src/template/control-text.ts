/**
 * What a control shows of a value: nothing for missing ones, dates as its type writes them
 * (https://html.spec.whatwg.org/#dates-and-times).
 */
export function controlText(value: unknown, type: string): string {
  const at = value instanceof Date ? value.getTime() : Number.NaN;
  if (!(value instanceof Date) || Number.isNaN(at)) return plainText(value);
  // What it is on the clock of who looks at it; all others use one clock.
  if (type === 'datetime-local')
    return new Date(at - value.getTimezoneOffset() * 60_000).toISOString().slice(0, 16);
  const iso = value.toISOString();
  switch (type) {
    case 'month':
      return iso.slice(0, 7);
    case 'time':
      return iso.slice(11, 16);
    case 'week':
      return weekOf(at);
    default:
      return plainText(value);
  }
}

/** The same for a control that is not for times, which shows a date as its day. */
export function plainText(value: unknown): string {
  if (value === null || value === undefined) return '';
  if (!(value instanceof Date)) return String(value);
  return Number.isNaN(value.getTime()) ? '' : value.toISOString().slice(0, 10);
}

/** The week of a year: the first one has the year's first Thursday. */
function weekOf(at: number): string {
  const day = 86_400_000;
  const thursday = at + (3 - ((new Date(at).getUTCDay() + 6) % 7)) * day;
  const year = new Date(thursday).getUTCFullYear();
  const week = 1 + Math.floor((thursday - Date.UTC(year, 0, 1)) / day / 7);
  return `${year}-W${String(week).padStart(2, '0')}`;
}
