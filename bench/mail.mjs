// npm run bench:mail: processor time of one mail of the newsletter with other rows each time, after the first ones, and what of
// it is the rendering, the rules and the plain text.
import { readFileSync } from 'node:fs';
import { register } from 'tsx/esm/api';
import { build, install, root } from '../scripts/setup.mjs';

install();
build();
register();
const { renderPage } = await import('zesty-lattice/html');
const { renderMail } = await import('zesty-lattice/mail');
const { default: Newsletter } = await import('../examples/orchard/newsletter/newsletter.ts');
const props = JSON.parse(readFileSync(`${root}/examples/orchard/newsletter/newsletter.json`, 'utf8'));
const options = {
  title: 'News',
  styles: readFileSync(`${root}/examples/orchard/newsletter/page.css`, 'utf8'),
};
const use = (n) => Newsletter({ ...props, lead: `${props.lead} No. ${n}` });

function each(work, count = 300) {
  for (let n = 0; n < 60; n++) work(n);
  const before = process.cpuUsage();
  for (let n = 0; n < count; n++) work(n);
  const { system, user } = process.cpuUsage(before);
  return (user + system) / 1000 / count;
}
const page = each((n) => renderPage(use(n), options));
const html = each((n) => renderPage(use(n), { ...options, mail: true, onProblem: () => undefined }));
const mail = each((n) => renderMail(use(n), options));
const { bytes } = renderMail(use(0), options);
console.log(
  `a mail of ${(bytes / 1024).toFixed(1)} KB: ${mail.toFixed(1)} ms (rendering ${page.toFixed(1)}, rules ${(html - page).toFixed(1)}, plain text ${(mail - html).toFixed(1)})`,
);
