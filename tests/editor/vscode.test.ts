import { spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { extensionIn, pack } from '../../scripts/editor-vscode.mjs';
import { root } from '../cli/lattice.js';
import { isLong } from '../support/runs.js';

// The extension as it is packed, with the client library of the protocol and this server; the editor's own module is a
// stand-in (vscode-stand-in.cjs).
const folder = mkdtempSync(join(tmpdir(), 'lattice-vscode-'));
const command = ['node', join(root, 'packages/tools/dist/node/cli.js'), 'editor', '--stdio'];

beforeAll(() => extensionIn(folder), 60_000);
afterAll(() => rmSync(folder, { recursive: true }));

/** Runs lines of a program in which the extension is `extension`, and what it does to the editor is noted in `editor`. */
function run(editor: object, lines: string): unknown {
  const program = `const Module = require('node:module');
const resolve = Module._resolveFilename;
Module._resolveFilename = (name, ...more) => name === 'vscode' ? ${JSON.stringify(join(root, 'tests/editor/vscode-stand-in.cjs'))} : resolve(name, ...more);
const editor = globalThis.editor = Object.assign({ settings: {}, folders: [], commands: {}, messages: [], listeners: {}, documents: [] }, ${JSON.stringify(editor)});
const extension = require(${JSON.stringify(join(folder, 'extension.cjs'))});
const context = { subscriptions: [] };
(async () => { ${lines} })().then((found) => { console.log(JSON.stringify(found)); process.exit(0); }, (thrown) => { console.error(thrown); process.exit(1); });`;
  const { status, stderr, stdout } = spawnSync('node', ['-e', program], {
    encoding: 'utf8',
    timeout: 30_000,
  });
  expect(stderr).toBe('');
  expect(status).toBe(0);
  return JSON.parse(stdout);
}

describe('the extension for VS Code', () => {
  test('says when it is active, what can be set, and what it starts with', () => {
    const own = JSON.parse(readFileSync(join(folder, 'package.json'), 'utf8'));
    expect(own.activationEvents).toContain('workspaceContains:**/lattice.json');
    expect(existsSync(join(folder, own.main))).toBe(true);
    for (const [name, one] of Object.entries(own.contributes.configuration.properties)) {
      expect(name).toMatch(/^lattice\./);
      expect(one).toHaveProperty('default');
      expect(one).toHaveProperty('description');
    }
    expect(own.contributes.commands.map(({ command }: { command: string }) => command)).toEqual([
      'lattice.restart',
    ]);
  });

  test('starts the server, hands documents over, shows what is reported, and ends it', () => {
    const path = join(folder, 'page.html');
    const text =
      '<!doctype html>\n<html lang="en"><head><title>x</title></head><body><h1>x</h1><img src="a.png"></body></html>\n';
    writeFileSync(path, text);
    const found = run(
      { settings: { command }, folders: [folder] },
      `const { Uri } = require('vscode');
       editor.documents.push({ uri: Uri.file(${JSON.stringify(path)}), languageId: 'html', version: 1, getText: () => ${JSON.stringify(text)} });
       await extension.activate(context);
       while (!editor.messages.some((one) => /page\\.html 1$/.test(one))) await new Promise((done) => setTimeout(done, 20));
       await editor.commands['lattice.restart']();
       await extension.deactivate();
       return editor.messages.filter((one) => !/page\\.html/.test(one));`,
    );
    expect(found).toEqual([]);
  });

  test('says what is missing where the tools are not installed', () => {
    const found = run({ folders: [folder] }, 'await extension.activate(context); return editor.messages;');
    expect(found).toEqual([expect.stringContaining('npm install --save-dev zesty-lattice-tools')]);
  });

  // The packer is fetched from the registry.
  test.runIf(isLong)('is packed by the editor’s own packer', { timeout: 300_000 }, () => {
    const file = join(folder, 'lattice.vsix');
    const { status, stdout } = pack(folder, file);
    expect(status, stdout).toBe(0);
    expect(stdout).toContain('extension.vsixmanifest');
    expect(readFileSync(file).subarray(0, 2).toString()).toBe('PK');
  });
});
