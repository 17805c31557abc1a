export const outlineRules = `
.outline { position: fixed; pointer-events: none; z-index: 2147483646; outline: 2px solid #c2410c; outline-offset: -1px; background: rgb(194 65 12 / .14); border-radius: 2px; }
.outline span { position: absolute; inset-block-start: 100%; inset-inline-start: 0; background: #9a3412; color: #fff; font: 12px/1.5 system-ui, sans-serif; padding: 0 .4rem; white-space: nowrap; border-radius: 0 0 3px 3px; }
`;

export const panelRules = `
:host {
  --paper: #fbfaf7; --ink: #23211c; --soft: #6b665c; --line: #e2ddd1; --lift: #fff; --edge: #8d8676; --name: #1d5c3a; --from: #5b4b8a; --accent: #b4430f; --pick: #f3e7d6; --error: #a3181f;
  all: initial; color-scheme: light dark;
}
@media (prefers-color-scheme: dark) {
  :host { --paper: #191815; --ink: #ece8de; --soft: #a8a294; --line: #38352d; --lift: #22201b; --edge: #7d7767; --name: #8fd3a8; --from: #bbaef0; --accent: #ff9b66; --pick: #3a342a; --error: #ff9d9d; }
}
*, ::before, ::after { box-sizing: border-box; }
.tools {
  position: fixed; z-index: 2147483647; inset-block-end: 1rem; inset-inline-end: 1rem; max-inline-size: calc(100vw - 2rem);
  font: 14px/1.5 system-ui, sans-serif; color: var(--ink); background: var(--paper); border: 1px solid var(--edge); border-radius: .7rem;
  box-shadow: 0 .6rem 2rem rgb(0 0 0 / .22); display: flex; flex-direction: column; max-block-size: min(38rem, calc(100vh - 2rem)); overflow: hidden;
}
.open { inline-size: 24rem; }
:host([quiet]) .tools:not(.open, .picking) { display: none; }
.bar { display: flex; gap: .4rem; padding: .4rem; justify-content: space-between; }
.open .bar { border-block-end: 1px solid var(--line); }
.body { overflow: auto; padding: .7rem .9rem 1rem; display: grid; gap: 1rem; grid-template-columns: minmax(0, 1fr); }
button, input { font: inherit; color: var(--ink); background: var(--lift); border: 1px solid var(--edge); border-radius: .4rem; padding: .2rem .6rem; }
button { cursor: pointer; }
button:hover { border-color: var(--ink); }
button[aria-pressed=true] { background: var(--accent); color: var(--paper); border-color: var(--accent); }
:focus-visible { outline: 2px solid var(--accent); outline-offset: 1px; }
h2 { margin: 0; font-size: 1.05rem; overflow-wrap: anywhere; }
h3, section h2 { margin: 0 0 .3rem; font-size: .85rem; color: var(--soft); font-weight: 600; }
p { margin: 0; overflow-wrap: anywhere; }
.soft { color: var(--soft); }
.path { font-size: .85rem; color: var(--soft); }
a { color: var(--accent); overflow-wrap: anywhere; }
dl { margin: 0; display: grid; grid-template-columns: minmax(4rem, auto) minmax(0, 1fr); gap: .15rem .7rem; }
dt { color: var(--name); overflow-wrap: anywhere; }
dd { margin: 0; overflow-wrap: anywhere; }
dd i { font-style: normal; color: var(--from); }
label { display: grid; grid-template-columns: minmax(4rem, auto) minmax(0, 1fr); gap: .7rem; align-items: center; margin-block-end: .25rem; color: var(--name); }
input { inline-size: 100%; }
.fault { color: var(--error); }
.uses { margin: .4rem 0 0; padding: 0; list-style: none; }
.uses button { display: block; inline-size: 100%; text-align: start; border: 0; background: none; padding-block: .1rem; overflow: hidden; text-overflow: ellipsis; white-space: nowrap; }
.uses button:hover, .uses button[aria-current] { background: var(--pick); }
.uses button[aria-current] { font-weight: 600; }
@media (max-width: 30rem) { .open { inline-size: auto; inset-inline: .5rem; } .tools { inset-block-end: .5rem; } }
`;
