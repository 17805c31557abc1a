// Renders each app twelve times as text, bytes, elements and streams, and says how they differ. Argument: the modules' folder.
import { readdirSync } from 'node:fs';
import { pathToFileURL } from 'node:url';
import { renderBytes, renderHtml, renderHtmlAsync, streamHtml } from 'zesty-lattice/html';

const [folder] = process.argv.slice(2);
const out = {};
console.error = (...all) => errors.push(all.map(String).join(' ').slice(0, 400));
let errors = [];
const decoder = new TextDecoder();
for (const file of readdirSync(folder).filter((name) => /^app-\d+\.mjs$/.test(name))) {
  const seed = Number(/\d+/.exec(file)[0]);
  errors = [];
  const result = { differences: [] };
  out[seed] = result;
  try {
    const module = await import(pathToFileURL(`${folder}/${file}`).href);
    const Page = module[`Page${seed}`];
    const props = {
      label: 'La & "bel"',
      count: 3,
      items: [
        { id: 1, name: 'i<1>' },
        { id: 5, name: '' },
      ],
    };
    const asked = { form: 'elements', loads: 'in-page' };
    const wanted = { markup: undefined, elements: undefined };
    const compare = (form, what, turn, text) => {
      wanted[form] ??= text;
      if (text !== wanted[form] && result.differences.length < 3)
        result.differences.push({
          form,
          what,
          turn,
          got: text.slice(0, 4000),
          wanted: wanted[form].slice(0, 4000),
        });
    };
    for (let turn = 0; turn < 12; turn++) {
      compare('elements', 'text', turn, renderHtml(Page, props, asked));
      compare('elements', 'bytes', turn, decoder.decode(renderBytes(Page, props, asked)));
      compare('elements', 'inline', turn, renderHtml(Page(props), asked));
      if (!module[`loads${seed}`]) {
        compare('markup', 'text', turn, renderHtml(Page, props));
        compare('markup', 'bytes', turn, decoder.decode(renderBytes(Page, props)));
        compare('markup', 'inline', turn, renderHtml(Page(props)));
      }
      if (turn % 4 !== 3) continue;
      compare('markup', 'whole', turn, await renderHtmlAsync(Page, props));
      compare('markup', 'stream', turn, await new Response(streamHtml(Page, props)).text());
    }
    result.elements = wanted.elements;
    result.markup = wanted.markup;
  } catch (thrown) {
    result.failure = String(thrown?.stack ?? thrown).slice(0, 1500);
  }
  if (errors.length > 0) result.errors = errors.slice(0, 3);
}
process.stdout.write(JSON.stringify(out));
