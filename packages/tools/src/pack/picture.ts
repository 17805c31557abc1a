import { component, prop } from 'zesty-lattice/internal/component';
import { renderHtml } from 'zesty-lattice/internal/html';
import { calc, eachOf, el, phrase } from 'zesty-lattice/internal/template';
import type { PackSizes } from './measured.js';

interface Bar {
  readonly name: string;
  readonly bytes: number;
  /** How much of it others have, too. */
  readonly shared: number;
  readonly y: number;
}

const line = 34;
const left = 190;
const room = 520;

const SizeBars = component('size-bars', {
  props: { title: prop.text(), bars: prop.list<Bar>(), most: prop.number(), height: prop.number() },
  template: ({ props: { bars, height, most, title } }) =>
    el.svg(
      {
        viewBox: calc(height, (high) => `0 0 ${left + room + 90} ${high}`),
        role: 'img',
        'font-family': 'system-ui, sans-serif',
        'font-size': '14',
      },
      el.title(title),
      el.rect({ width: '100%', height: '100%', fill: '#fbfaf7' }),
      el.text({ x: '16', y: '28', 'font-weight': '600', fill: '#23211c' }, title),
      eachOf(bars, (bar) => {
        const width = calc(bar.bytes, most, (bytes, all) => Math.max(1, (bytes / all) * room));
        return el.g(
          el.text(
            { x: left - 10, y: calc(bar.y, (y) => y + 15), 'text-anchor': 'end', fill: '#23211c' },
            bar.name,
          ),
          el.rect({ x: left, y: bar.y, width, height: 20, rx: 3, fill: '#b4430f' }),
          el.rect({
            x: left,
            y: bar.y,
            width: calc(bar.shared, most, (bytes, all) => (bytes / all) * room),
            height: 20,
            rx: 3,
            fill: '#e2b18f',
          }),
          el.text(
            { x: calc(width, (wide) => left + wide + 8), y: calc(bar.y, (y) => y + 15), fill: '#6b665c' },
            phrase`${calc(bar.bytes, kilobytes)}`,
          ),
        );
      }),
    ),
});

/** Bytes as people read them: 1,000 to the kB. */
export function kilobytes(bytes: number): string {
  return bytes < 1000 ? `${bytes} B` : `${(bytes / 1000).toFixed(1)} kB`;
}

/** The sizes as bars, in an SVG file: what is gzipped, with what is shared in a lighter colour. */
export function sizePicture({ all, alone, shared }: PackSizes, title: string): string {
  const bars = [
    ...alone.map(({ name, sizes }) => ({
      name,
      bytes: sizes.gzip,
      shared: Math.min(shared.gzip, sizes.gzip),
    })),
    { name: 'all together', bytes: all.gzip, shared: shared.gzip },
  ];
  const placed = bars.map((bar, index) => ({ ...bar, y: 50 + index * line }));
  const most = Math.max(...bars.map(({ bytes }) => bytes));
  const svg = renderHtml(SizeBars, { title, bars: placed, most, height: 60 + bars.length * line });
  // In a page an svg needs no namespace; as a file of its own it does (https://www.w3.org/TR/SVG2/struct.html#NewDocument).
  return `${svg.replace('<svg', '<svg xmlns="http://www.w3.org/2000/svg"')}\n`;
}
