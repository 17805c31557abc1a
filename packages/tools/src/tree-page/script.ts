/**
 * What the page does: it finds, filters, folds, and opens the way to a problem. Without it the tree is there all the same,
 * and folds.
 */
export const pageScript = `
const by = (id) => document.getElementById(id);
const lines = [...document.querySelectorAll('.tree li')];
const uses = lines.filter((line) => line.dataset.name);
const all = uses.length;
const own = (line) => {
  const { firstElementChild: box } = line;
  const dl = box.querySelector(':scope > dl');
  return ((box.matches('details') ? box.firstElementChild : box).textContent + ' ' + (dl ? dl.textContent : '')).toLowerCase();
};
const most = 300;
let texts;
const find = () => {
  const words = by('words').value.trim().toLowerCase();
  const name = by('component').value;
  const isSearched = words !== '' || name !== '' || by('faulty').checked;
  texts ??= new Map(uses.map((line) => [line, own(line)]));
  const isGone = (line) => by('seen').checked && line.closest('.unseen') !== null;
  if (!isSearched) {
    for (const line of lines) line.hidden = isGone(line);
    by('found').textContent = '';
    return;
  }
  const found = uses.filter((line) => (words === '' || texts.get(line).includes(words)) && (name === '' || line.dataset.name === name)
    && (!by('faulty').checked || line.classList.contains('faulty')) && !isGone(line));
  const kept = new Set();
  // As many as somebody looks at: more would make typing wait for what is drawn.
  for (const line of found.slice(0, most))
    for (let at = line; at && !kept.has(at); at = at.parentElement.closest('.tree li')) kept.add(at);
  for (const line of lines) {
    line.hidden = !kept.has(line);
    const box = line.firstElementChild;
    if (!line.hidden && box.matches('details') && [...box.querySelectorAll(':scope > ul > li')].some((one) => kept.has(one))) box.open = true;
  }
  by('found').textContent = found.length + ' of ' + all + (found.length > most ? ', the first ' + most + ' here' : '');
};
let isWaiting = false;
const soon = () => {
  if (isWaiting) return;
  isWaiting = true;
  requestAnimationFrame(() => { isWaiting = false; find(); });
};
for (const id of ['words', 'component', 'faulty', 'seen']) by(id).addEventListener('input', soon);
document.querySelector('.find').addEventListener('submit', (event) => event.preventDefault());
const fold = (open) => { for (const one of document.querySelectorAll('.tree details')) one.open = open; };
by('unfold').addEventListener('click', () => fold(true));
by('fold').addEventListener('click', () => fold(false));
const go = () => {
  const target = location.hash.length > 1 && by(location.hash.slice(1));
  if (!target) return;
  for (let at = target.closest('details'); at; at = at.parentElement.closest('details')) at.open = true;
  target.scrollIntoView({ block: 'center' });
  if (target.matches('summary')) target.focus({ preventScroll: true });
};
addEventListener('hashchange', go);
go();
find();
`;
