import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import { chromium } from 'playwright-core';
import { browserOptions } from '../../scripts/browser.mjs';

const library = join(dirname(createRequire(import.meta.url).resolve('chart.js')), 'chart.umd.js');

/** Draws what a row costs over how many there are, as a picture. */
export async function plot(growth, file) {
  const browser = await chromium.launch(browserOptions);
  const page = await browser.newPage({ viewport: { width: 960, height: 540 }, deviceScaleFactor: 1 });
  await page.setContent(
    '<body style="margin:0;background:#fff"><canvas id="plot" width="960" height="540"></canvas></body>',
  );
  await page.addScriptTag({ content: readFileSync(library, 'utf8') });
  const line = (name, label, color, dash) => ({
    label,
    data: growth.map((one) => ({ x: one.size, y: Math.round(one[name]) })),
    borderColor: color,
    backgroundColor: color,
    borderDash: dash,
    borderWidth: 2.5,
    pointRadius: 4,
    tension: 0.15,
  });
  await page.evaluate(
    (datasets) => {
      const { Chart } = window;
      Chart.defaults.font.size = 14;
      Chart.defaults.font.family = 'system-ui, sans-serif';
      Chart.defaults.color = '#333';
      new Chart(document.getElementById('plot'), {
        type: 'line',
        data: { datasets },
        options: {
          responsive: false,
          animation: false,
          layout: { padding: 24 },
          plugins: {
            title: {
              display: true,
              text: 'A page of cards: what one costs, by how many there are',
              font: { size: 18 },
            },
            legend: { position: 'bottom' },
          },
          scales: {
            x: {
              type: 'logarithmic',
              title: { display: true, text: 'cards on the page' },
              ticks: {
                maxRotation: 0,
                callback: (value) => (Number.isInteger(Math.log10(value)) ? value.toLocaleString('en') : ''),
              },
            },
            y: { min: 0, title: { display: true, text: 'nanoseconds of the processor, a card' } },
          },
        },
      });
    },
    [
      line('text', 'renderHtml, turned into bytes', '#b45309'),
      line('bytes', 'renderBytes', '#0f766e'),
      line('streamed', 'streamHtml', '#7c3aed'),
      line('plain', 'by hand, plainly', '#6b7280', [6, 4]),
    ],
  );
  await page.locator('#plot').screenshot({ path: file });
  await browser.close();
}
