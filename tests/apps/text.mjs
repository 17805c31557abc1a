// Renders each app twelve times as text, bytes, elements and streams, and says how they differ. Arguments: the modules' folder, and the seeds of some of them.
import { readFileSync } from 'node:fs';
import { pathToFileURL } from 'node:url';
import { parse } from 'parse5';
import { renderBytes, renderHtml, renderHtmlAsync, renderPage, streamHtml } from 'zesty-lattice/html';
import { renderMail } from 'zesty-lattice/mail';

const [folder, ...seeds] = process.argv.slice(2);
const rows = JSON.parse(readFileSync(new URL('rows.json', import.meta.url), 'utf8'));
// Where no code is made, a rendering is as the one before.
const turns = Number(process.env.TURNS ?? 12);
const out = {};
console.error = (...all) => errors.push(all.map(String).join(' ').slice(0, 400));
let errors = [];
const decoder = new TextDecoder();

/** The elements of a body with their attributes, but for those that a mail has instead of rules, and their text. */
function seen(html) {
  const lines = [];
  const look = (node) => {
    if (node.nodeName === 'style') return;
    if (node.value) lines.push(JSON.stringify(node.value));
    const attributes = (node.attrs ?? []).filter(({ name }) => !/^(?:style|data-in.*)$/.test(name));
    if (node.tagName)
      lines.push(
        `<${node.tagName} ${attributes.map(({ name, value }) => `${name}=${JSON.stringify(value)}`).join(' ')}>`,
      );
    node.childNodes?.forEach(look);
  };
  look(parse(html).childNodes.find(({ nodeName }) => nodeName === 'html').childNodes[1]);
  return lines.join('\n');
}
for (const seed of seeds.map(Number)) {
  const file = `app-${seed}.mjs`;
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
    const asked = { form: 'elements', loadsIn: 'page' };
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
    for (let turn = 0; turn < turns; turn++) {
      compare('elements', 'text', turn, renderHtml(Page, props, asked));
      compare('elements', 'bytes', turn, decoder.decode(renderBytes(Page, props, asked)));
      compare('elements', 'inline', turn, renderHtml(Page(props), asked));
      if (!module[`loads${seed}`]) {
        compare('markup', 'text', turn, renderHtml(Page, props));
        compare('markup', 'bytes', turn, decoder.decode(renderBytes(Page, props)));
        compare('markup', 'inline', turn, renderHtml(Page(props)));
      }
      if (turn % 4 !== 3 && turn !== turns - 1) continue;
      compare('stage', 'text', turn, renderHtml(module[`Stage${seed}`], props, asked));
      compare('markup', 'whole', turn, await renderHtmlAsync(Page, props));
      compare('markup', 'stream', turn, await new Response(streamHtml(Page, props)).text());
    }
    // One in ten as a mail: its elements, attributes and text are the page's, whatever its rules became.
    if (seed % 10 === 0 && !module[`loads${seed}`]) {
      const page = { title: 'Grove', onProblem: () => undefined };
      compare('page', 'page', 0, seen(renderPage(Page(props), page)));
      compare('page', 'mail', 0, seen(renderMail(Page(props), { title: 'Grove' }).html));
      result.isMailed = true;
    }
    // One in a hundred for a batch of rows.
    if (seed % 100 === 0 && !module[`loads${seed}`])
      result.pages = rows.map((row) => renderPage(Page(row), { title: 'Grove' }));
    result.elements = wanted.elements;
    result.markup = wanted.markup;
    result.stage = wanted.stage;
  } catch (thrown) {
    result.failure = String(thrown?.stack ?? thrown).slice(0, 1500);
  }
  if (errors.length > 0) result.errors = errors.slice(0, 3);
}
process.stdout.write(JSON.stringify(out));
