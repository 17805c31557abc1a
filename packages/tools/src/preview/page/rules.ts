/** What buttons, fields and links look like in every part of the page. */
export const controlRules = `
:host { display: block; }
*, ::before, ::after { box-sizing: border-box; }
button, input, select, textarea {
  font: inherit; color: var(--ink); background: var(--lift); border: 1px solid var(--edge); border-radius: .4rem;
  padding: .3rem .55rem; max-inline-size: 100%;
}
button { cursor: pointer; white-space: nowrap; }
button:hover { border-color: var(--ink); }
button:disabled { opacity: .55; cursor: default; }
textarea { inline-size: 100%; resize: vertical; font: .85rem/1.5 ui-monospace, monospace; }
input[type=checkbox] { inline-size: 1.1rem; block-size: 1.1rem; padding: 0; accent-color: var(--accent); flex: none; }
:focus-visible { outline: 2px solid var(--accent); outline-offset: 2px; }
.soft { color: var(--soft); }
code, pre { font: .85rem/1.55 ui-monospace, SFMono-Regular, Menlo, monospace; }
`;

export const pageRules = `${controlRules}
header {
  position: sticky; inset-block-start: 0; z-index: 3; display: flex; flex-wrap: wrap; gap: .75rem 1.5rem; align-items: center;
  padding: .6rem clamp(1rem, 2.5vw, 2rem); background: var(--paper); border-block-end: 1px solid var(--line);
}
h1 { margin: 0; font-size: 1rem; }
h1 a { color: inherit; text-decoration: none; display: inline-flex; gap: .5rem; align-items: center; border-radius: .2rem; }
h1 a::before { content: ''; inline-size: .8rem; block-size: .8rem; border-radius: .15rem; background: var(--accent); transform: rotate(45deg); }
component-finder { flex: 1 1 16rem; max-inline-size: 30rem; }
main { padding: 1.25rem clamp(1rem, 2.5vw, 2rem) 4rem; }
.title { display: flex; flex-wrap: wrap; gap: .25rem 1rem; align-items: baseline; margin-block-end: .25rem; }
h2 { margin: 0; font-size: 1.55rem; line-height: 1.2; overflow-wrap: anywhere; }
.about { margin: 0; max-inline-size: 62ch; }
.samples { display: flex; flex-wrap: wrap; gap: .4rem; margin: .8rem 0 0; padding: 0; list-style: none; }
.samples a {
  display: block; padding: .2rem .75rem; border: 1px solid var(--edge); border-radius: 2rem; color: var(--ink);
  text-decoration: none; background: var(--lift);
}
.samples a:hover { border-color: var(--ink); }
.samples a[aria-current=true] { background: var(--ink); color: var(--paper); border-color: var(--ink); }
.both { display: grid; grid-template-columns: minmax(17rem, 22rem) minmax(0, 1fr); gap: 1.25rem 2rem; align-items: start; margin-block-start: 1.25rem; }
.given { position: sticky; inset-block-start: 4.2rem; max-block-size: calc(100vh - 5rem); overflow: auto; padding: 0 .35rem .35rem; margin: 0 -.35rem; }
.comes { display: grid; grid-template-columns: minmax(0, 1fr); gap: 1.5rem; min-inline-size: 0; }
h3 { margin: 0 0 .6rem; font-size: .95rem; }
h3 .soft { font-weight: 400; }
.fields { display: grid; gap: .9rem; }
.given section + section { margin-block-start: 1.4rem; padding-block-start: 1.1rem; border-block-start: 1px solid var(--line); }
.slot { display: grid; gap: .25rem; }
.slot label { font-weight: 600; display: flex; flex-wrap: wrap; gap: .5rem; align-items: baseline; }
.slot p, .none { margin: 0; color: var(--soft); font-size: .875rem; }
.save { display: flex; flex-wrap: wrap; gap: .5rem; }
.save input { flex: 1 1 8rem; min-inline-size: 0; }
.copies { display: flex; flex-wrap: wrap; gap: .5rem; }
output { display: block; min-block-size: 1.5em; margin-block-start: .4rem; font-size: .875rem; color: var(--soft); }
.looks { display: flex; flex-wrap: wrap; gap: .5rem 1.1rem; align-items: center; margin-block-end: .7rem; font-size: .9rem; }
.looks label { display: inline-flex; gap: .4rem; align-items: center; color: var(--soft); }
.looks .number { inline-size: 5.5rem; }
.parts { display: grid; grid-template-columns: repeat(auto-fit, minmax(min(100%, 24rem), 1fr)); gap: 1.5rem; }
.part { min-inline-size: 0; }
.events { margin: 0; padding: 0; list-style: none; display: grid; gap: .25rem; }
.events li { display: flex; gap: .75rem; align-items: baseline; border-block-end: 1px solid var(--line); padding-block-end: .25rem; }
.events b { color: var(--name); }
.events code { overflow-wrap: anywhere; min-inline-size: 0; flex: 1; }
.tree { margin: 0; padding: 0; list-style: none; }
.problems, .unread { display: grid; gap: .5rem; }
.unread:not(:empty) { margin-block-end: 1.25rem; }
@media (max-width: 56rem) {
  .both { grid-template-columns: minmax(0, 1fr); }
  .comes { order: -1; }
  .given { position: static; max-block-size: none; overflow: visible; }
  header { position: static; }
}
`;

export const finderRules = `${controlRules}
:host { position: relative; }
input { inline-size: 100%; }
ul {
  position: absolute; z-index: 4; inset-inline: 0; inset-block-start: calc(100% + .3rem); margin: 0; padding: .3rem; list-style: none;
  max-block-size: 60vh; overflow: auto; background: var(--lift); border: 1px solid var(--edge); border-radius: .5rem;
  box-shadow: 0 .6rem 2rem rgb(0 0 0 / .18);
}
li { padding: .35rem .6rem; border-radius: .35rem; cursor: pointer; display: grid; }
li small { color: var(--soft); overflow: hidden; text-overflow: ellipsis; white-space: nowrap; }
li[aria-selected=true] { background: var(--pick); }
li.none { color: var(--soft); cursor: default; }
`;

export const fieldRules = `${controlRules}
:host { display: grid; gap: .25rem; }
.label { display: flex; flex-wrap: wrap; gap: .15rem .6rem; align-items: baseline; }
label, .name, legend { font-weight: 600; padding: 0; }
.kind { color: var(--soft); font-size: .8rem; }
.out { margin-inline-start: auto; border: 0; background: none; padding: 0 .2rem; font-size: .8rem; color: var(--soft); text-decoration: underline; }
.out:hover { color: var(--ink); }
input:not([type=checkbox]), select { inline-size: 100%; }
.tick { display: flex; gap: .5rem; align-items: center; font-weight: 600; }
p { margin: 0; font-size: .85rem; color: var(--soft); }
.fault { color: var(--error); }
fieldset { margin: 0; padding: .1rem 0 0 .8rem; border: 0; border-inline-start: 2px solid var(--line); display: grid; gap: .7rem; min-inline-size: 0; }
.item { display: grid; gap: .4rem; }
.row { display: flex; gap: .4rem; }
.row button, .add { font-size: .85rem; padding: .15rem .5rem; }
.ways { display: flex; gap: .4rem; }
`;

export const stageRules = `${controlRules}
:host { min-inline-size: 0; overflow: hidden; }
.frame { border: 1px solid var(--edge); border-radius: .6rem; background: var(--lift); overflow: hidden; margin-inline: auto; max-inline-size: 100%; }
iframe { display: block; border: 0; transform-origin: 0 0; }
iframe.light { color-scheme: light; background: #fff; }
iframe.dark { color-scheme: dark; background: #16181c; }
.size { margin: .4rem 0 0; display: flex; flex-wrap: wrap; gap: .3rem; align-items: center; font-size: .8rem; color: var(--soft); font-variant-numeric: tabular-nums; }
.size button { margin-inline-end: auto; padding: .1rem .5rem; }
`;

export const codeRules = `
pre {
  margin: 0; padding: .8rem 1rem; overflow: auto; max-block-size: 26rem; border: 1px solid var(--line); border-radius: .6rem;
  background: var(--lift); color: var(--ink); font: .85rem/1.55 ui-monospace, SFMono-Regular, Menlo, monospace; tab-size: 2; white-space: pre;
}
pre:focus-visible { outline: 2px solid var(--accent); outline-offset: 2px; }
.wraps { white-space: pre-wrap; overflow-wrap: anywhere; }
.tag { color: var(--name); }
.name { color: var(--slot); }
.value { color: var(--from); }
.comment { color: var(--soft); font-style: italic; }
`;

export const branchRules = `
li { padding-block: .1rem; }
ul { margin: 0; padding: 0 0 0 1rem; list-style: none; border-inline-start: 1px solid var(--line); }
.use { font-weight: 600; color: var(--name); }
.slot { color: var(--slot); }
.content { color: var(--soft); }
.note { color: var(--soft); font-size: .85rem; margin-inline-start: .5rem; }
.prop { font-size: .85rem; margin-inline-start: .6rem; overflow-wrap: anywhere; }
.prop i { font-style: normal; color: var(--from); }
`;

export const problemRules = `
div { border-inline-start: .25rem solid var(--warning); background: var(--warning-paper); padding: .5rem .8rem; border-radius: .3rem; }
.error { border-color: var(--error); background: var(--error-paper); }
p { margin: 0; overflow-wrap: anywhere; }
p + p { margin-block-start: .2rem; color: var(--soft); }
code { font: .85rem ui-monospace, monospace; }
.warning code { color: var(--warning); }
.error code { color: var(--error); }
`;

export const indexRules = `
ul { margin: 1.25rem 0 0; padding: 0; list-style: none; columns: 20rem; column-gap: 2.5rem; }
li { break-inside: avoid; padding-block: .7rem; border-block-start: 1px solid var(--line); }
a { color: var(--ink); text-underline-offset: .2em; }
.name { font-weight: 600; font-size: 1.05rem; }
p { margin: .15rem 0 0; color: var(--soft); }
.live { margin-inline-start: .6rem; font-size: .8rem; color: var(--name); }
.more { font-size: .875rem; display: flex; flex-wrap: wrap; gap: .1rem .9rem; }
.bad { color: var(--error); }
`;
