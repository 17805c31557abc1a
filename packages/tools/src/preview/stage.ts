import { resolve } from 'node:path';
import { quoted } from '../adopt/write.js';
import type { ComponentFacts } from '../reading/facts.js';
import { documentRules } from '../tree-page/rules.js';

/** The page of the preview itself: one element, which is made of this library's components. */
export function previewPage(script: string): string {
  return `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width">
<title>Preview</title>
<link rel="icon" href="data:,">
<style>${documentRules}${previewRules}</style>
<script type="module" src="${script}"></script>
</head>
<body><preview-page></preview-page></body>
</html>
`;
}

const previewRules = `
:root { --edge: #8d8676; --pick: #f3e7d6; }
@media (prefers-color-scheme: dark) { :root { --edge: #7d7767; --pick: #3a342a; } }
`;

/** The page that the components stand in, alone: nothing of the preview's own look reaches it. */
export function stagePage(modules: string, script: string): string {
  return `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width">
<meta name="color-scheme" content="light dark">
<title>Stage</title>
<style>html { padding: 16px; } body { margin: 0; font-family: system-ui, sans-serif; }</style>
<script type="module" src="${script}"></script>
<script type="module" src="/@id/${modules}"></script>
</head>
<body></body>
</html>
`;
}

/** Code that registers the components of a project, each for itself: one that cannot be leaves the others alone. */
export function stageModule(components: readonly ComponentFacts[], css: string | undefined): string {
  const names = components.map((_, index) => `C${index}`);
  const imports = components.map(
    ({ exportName, file, name }, index) => `
import(${quoted(urlOf(file))}).then(({ ${exportName}: ${names[index]} }) => add(${quoted(name)}, ${names[index]}), (thrown) => failed(${quoted(name)}, thrown));`,
  );
  return `import { register } from 'zesty-lattice/elements';
${css === undefined ? '' : `import ${quoted(urlOf(resolve(css)))};\n`}
const failed = (name, thrown) => dispatchEvent(new CustomEvent('lattice-unregistered', { detail: { name, message: String(thrown?.message ?? thrown) } }));
const add = (name, component) => {
  try {
    register(component);
    dispatchEvent(new Event('lattice-registered'));
  } catch (thrown) {
    failed(name, thrown);
  }
};
${imports.join('')}
import.meta.hot?.on('vite:beforeUpdate', () => dispatchEvent(new Event('lattice-renewed')));
import.meta.hot?.on('vite:afterUpdate', () => dispatchEvent(new Event('lattice-registered')));
`;
}

/** A file as Vite serves it: by its path from the root, or by its whole path. */
function urlOf(file: string): string {
  const root = `${process.cwd()}/`;
  return file.startsWith(root) ? `/${file.slice(root.length)}` : `/@fs${file}`;
}
