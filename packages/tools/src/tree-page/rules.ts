/** What the whole page says of colours and sizes. */
export const documentRules = `
:root {
  color-scheme: light dark;
  --paper: #fbfaf7; --ink: #23211c; --soft: #6b665c; --line: #e2ddd1; --lift: #fff;
  --name: #1d5c3a; --slot: #8a5a00; --from: #5b4b8a; --accent: #b4430f;
  --error: #a3181f; --error-paper: #fdeeee; --warning: #7a5200; --warning-paper: #fff6e0;
  font: 15px/1.5 system-ui, sans-serif; color: var(--ink); background: var(--paper);
}
@media (prefers-color-scheme: dark) {
  :root {
    --paper: #191815; --ink: #ece8de; --soft: #a8a294; --line: #38352d; --lift: #22201b;
    --name: #8fd3a8; --slot: #e5b85c; --from: #bbaef0; --accent: #ff9b66;
    --error: #ff9d9d; --error-paper: #3a1d1d; --warning: #f1c569; --warning-paper: #362b12;
  }
}
body { margin: 0; }
[hidden] { display: none !important; }
`;

export const pageRules = `
header { padding: 1.5rem clamp(1rem, 3vw, 2.5rem) .5rem; }
h1 { margin: 0; font-size: 1.6rem; line-height: 1.2; overflow-wrap: anywhere; }
header p { margin: .25rem 0 0; color: var(--soft); }
.find {
  position: sticky; top: 0; z-index: 1; display: flex; flex-wrap: wrap; gap: .5rem 1.25rem; align-items: center;
  padding: .75rem clamp(1rem, 3vw, 2.5rem); background: var(--paper); border-bottom: 1px solid var(--line);
}
.find label { display: inline-flex; align-items: center; gap: .4rem; color: var(--soft); }
.find input[type=search], .find select, .find button {
  font: inherit; color: var(--ink); background: var(--lift); border: 1px solid var(--line); border-radius: .4rem;
  padding: .3rem .6rem; max-width: 100%;
}
.find input[type=search] { width: 14rem; }
.find button { cursor: pointer; }
.find button:hover { border-color: var(--soft); }
.fold { display: inline-flex; gap: .5rem; }
.find output { margin-inline-start: auto; color: var(--soft); font-variant-numeric: tabular-nums; }
.find :focus-visible { outline: 2px solid var(--accent); outline-offset: 1px; }
.both {
  display: grid; grid-template-columns: minmax(0, 1fr) minmax(16rem, 22rem); gap: 2rem; align-items: start;
  padding: 1rem clamp(1rem, 3vw, 2.5rem) 4rem;
}
.tree { margin: 0; padding: 0; list-style: none; }
@media (max-width: 60rem) { .both { grid-template-columns: minmax(0, 1fr); } }
@media (max-width: 30rem) { .find { position: static; } .find input[type=search] { width: 100%; } }
`;

export const lineRules = `
/* As list items, each would have all that follow it numbered anew when it comes or goes. */
li, summary { display: block; }
summary::before {
  content: ''; display: inline-block; width: .4em; height: .4em; margin-inline: .1em .55em; vertical-align: .12em;
  border: solid currentColor; border-width: 0 .13em .13em 0; transform: rotate(-45deg);
}

details[open] > summary::before { transform: rotate(45deg); vertical-align: .25em; }
ul { margin: 0; padding: 0 0 0 1.1rem; list-style: none; border-inline-start: 1px solid var(--line); }
summary, .bare { padding: .15rem .4rem; border-radius: .35rem; scroll-margin-top: 5rem; }
summary { cursor: pointer; }
summary:hover { background: var(--lift); }
summary:focus-visible { outline: 2px solid var(--accent); outline-offset: -1px; }
summary:target, .bare:target { background: var(--lift); outline: 2px solid var(--accent); outline-offset: -1px; }
.bare { padding-inline-start: 1.4rem; }
`;

export const wordsRules = `
.name { font-family: ui-monospace, monospace; font-size: .95em; overflow-wrap: anywhere; }
.name.use { color: var(--name); font-weight: 600; }
.name.slot, .word { color: var(--slot); }
.name.content { color: var(--soft); font-size: .85em; }
.name.unseen { color: var(--soft); font-weight: 400; text-decoration: line-through; }
.note, .written { margin-inline-start: .75rem; color: var(--soft); font-size: .87em; }
.written { font-family: ui-monospace, monospace; font-size: .8em; overflow-wrap: anywhere; }
.mark { margin-inline-start: .75rem; color: var(--error); font-size: .87em; font-weight: 600; }
`;

export const propRules = `
dl {
  display: grid; grid-template-columns: minmax(5rem, max-content) minmax(0, 1fr); gap: 0 1rem;
  margin: 0 0 .35rem 1.5rem; font-size: .88em;
}
dt { color: var(--soft); font-family: ui-monospace, monospace; }
dd { margin: 0; overflow-wrap: anywhere; }
b { font-weight: 400; margin-inline-end: .75rem; }
i { color: var(--from); font-style: normal; font-family: ui-monospace, monospace; font-size: .92em; }
`;

export const problemRules = `
h2 { margin: 0 0 .5rem; font-size: 1.05rem; }
.none { color: var(--soft); }
.problem {
  margin: .35rem 0 .6rem; padding: .5rem .75rem; border-radius: .4rem; font-size: .92em;
  border-inline-start: 3px solid var(--error); background: var(--error-paper);
}
.problem.warning { border-color: var(--warning); background: var(--warning-paper); }
.problem p { margin: 0; overflow-wrap: anywhere; }
.problem code { color: var(--error); font-size: .92em; font-weight: 600; }
.problem.warning code { color: var(--warning); }
.problem .hint { margin-top: .2rem; color: var(--soft); }
.problem a { color: inherit; font-family: ui-monospace, monospace; font-size: .9em; }
.place { color: var(--soft); font-family: ui-monospace, monospace; font-size: .85em; }
`;
