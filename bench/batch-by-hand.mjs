// The pages of bench/batch.mjs written by a script of one's own: rows read a line at a time, a template literal, a file each.
// node bench/batch-by-hand.mjs rows.ndjson out style.css
import { createReadStream, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { createInterface } from 'node:readline';

const [, , data, out, css] = process.argv;
mkdirSync(out, { recursive: true });
const style = readFileSync(css, 'utf8');
const clock = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit', timeZone: 'UTC' });
const escaped = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' };
const escapedText = (text) => (/[&<>"]/.test(text) ? text.replace(/[&<>"]/g, (one) => escaped[one]) : text);
const own = ' data-in="ticket-page"';
for await (const line of createInterface({ input: createReadStream(data) })) {
  const { guest, guests = 1, id, seat, stall, starts, tasting, waiting = false } = JSON.parse(line);
  if (typeof guest !== 'string' || typeof seat !== 'number' || seat < 1) throw new Error(line);
  const date = new Date(starts);
  const more = guests > 1 ? ` and ${guests - 1} more` : '';
  writeFileSync(
    `${out}/${id}.html`,
    `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>${escapedText(tasting)} · ${escapedText(guest)}</title>
${style}
</head>
<body>
<main class="ticket${waiting ? ' waiting' : ''}"${own}><p class="orchard"${own}>Ninefold Orchard · Open day</p><h1${own}>${escapedText(tasting)}</h1><p class="guest"${own}>${escapedText(guest)}${more}</p><dl${own}><div${own}><dt${own}>Starts</dt><dd${own}><time datetime="${date.toISOString()}"${own}>${clock.format(date)}</time></dd></div><div${own}><dt${own}>Where</dt><dd${own}>${escapedText(stall)}</dd></div><div${own}><dt${own}>Seat</dt><dd${own}>${seat}</dd></div></dl>${waiting ? `<p class="note"${own}>You are on the waiting list. Come ten minutes early.</p>` : `<p class="note"${own}>Show this page at the stall.</p>`}</main>
</body>
</html>
`,
  );
}
