import { type ChildProcess, execFileSync, spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { root } from '../cli/lattice.js';

// The language server in an editor that other people wrote, driven by its keys without a screen. Debian's package is
// `neovim`; where it is not installed there is nothing to drive.
const program = '/usr/bin/nvim';

const module = `import { component, prop, slot } from 'zesty-lattice';
export const SeasonTag = component('season-tag', {
  props: { season: prop.choice(['early', 'late-and-dry']), isWide: prop.flag() },
  slots: { default: slot(), smallMark: slot() },
  template: \`<b>{{ season }}{{ isWide }}</b><slot></slot><slot name="smallMark"></slot>\`,
});
export const GroveCard = component('grove-card', {
  props: { titleText: prop.text(), season: prop.choice(['early', 'late-and-dry']).fallback('early') },
  state: () => ({ seen: 0 }),
  handlers: { countUp: ({ state }) => ({ seen: state.seen + 1 }) },
  uses: [SeasonTag],
  template: markupFile(import.meta.url, './grove-card.html'),
});
`;
const setUp = `
vim.o.swapfile = false
vim.o.completeopt = 'menuone,noselect'
local id = vim.lsp.start_client({
  name = 'lattice',
  cmd = { 'node', '${join(root, 'packages/tools/dist/node/cli.js')}', 'editor', '--stdio' },
  root_dir = vim.fn.getcwd(),
})
vim.lsp.buf_attach_client(0, id)
vim.bo.omnifunc = 'v:lua.vim.lsp.omnifunc'
function labels()
  local found = {}
  for _, item in ipairs(vim.fn.complete_info({ 'items' }).items) do table.insert(found, item.abbr) end
  return vim.fn.json_encode(found)
end
function messages()
  local found = {}
  for _, one in ipairs(vim.diagnostic.get(0)) do table.insert(found, one.code) end
  return vim.fn.json_encode(found)
end
`;

describe.skipIf(!existsSync(program))('in Neovim', () => {
  const folder = mkdtempSync(join(root, 'tests/editor/out-neovim-'));
  const socket = join(folder, 'socket');
  let editor: ChildProcess;

  const ask = (expression: string): string => {
    const asked = ['--server', socket, '--remote-expr', expression];
    const { stderr, stdout } = spawnSync(program, asked, { encoding: 'utf8' });
    // Some of its versions answer on standard error.
    return (stdout || stderr).trim();
  };
  const press = (keys: string): void => {
    execFileSync(program, ['--server', socket, '--remote-send', keys]);
  };
  const list = (name: string): readonly string[] => {
    const found: unknown = JSON.parse(ask(`luaeval('${name}()')`));
    return Array.isArray(found) ? found : [];
  };
  const wait = async <T>(what: () => T, isThere: (found: T) => boolean): Promise<T> => {
    for (const until = Date.now() + 20_000; ; ) {
      const found = what();
      if (isThere(found) || Date.now() > until) return found;
      await new Promise((turn) => setTimeout(turn, 30));
    }
  };

  beforeAll(async () => {
    writeFileSync(join(folder, 'package.json'), '{ "type": "module" }');
    writeFileSync(
      join(folder, 'grove-card.ts'),
      module.replace(
        "'zesty-lattice';",
        "'zesty-lattice';\nimport { markupFile } from 'zesty-lattice/markup';",
      ),
    );
    writeFileSync(join(folder, 'grove-card.html'), '<p>{{ titleText }}</p>\n');
    writeFileSync(join(folder, 'set-up.lua'), setUp);
    const args = ['--headless', '--clean', '--listen', socket, 'grove-card.html', '-c', 'luafile set-up.lua'];
    editor = spawn(program, args, { cwd: folder, stdio: 'ignore' });
    await wait(
      () => existsSync(socket),
      (isThere) => isThere,
    );
    // The project is read when a mistake is reported.
    press(':call setline(1, "<p>{{ titelText }}</p>")<CR>');
    const codes = await wait(
      () => list('messages'),
      (found) => found.length > 0,
    );
    expect(codes).toEqual(['name-unknown']);
  }, 40_000);
  afterAll(async () => {
    const ended = new Promise((end) => editor.on('exit', end));
    spawnSync(program, ['--server', socket, '--remote-send', '<Esc>:qa!<CR>']);
    await ended;
    rmSync(folder, { recursive: true });
  });

  test.each([
    ['a tag', '<|', 'season-tag', '<season-tag'],
    ['a tag behind its hyphen', '<season-|', 'season-tag', '<season-tag'],
    ['a tag that was nearly written', '<season-ta|', 'season-tag', '<season-tag'],
    ['an attribute', '<season-tag |', 'is-wide', '<season-tag is-wide'],
    ['an attribute behind its hyphen', '<season-tag is-w|', 'is-wide', '<season-tag is-wide'],
    ['a word of a choice', '<season-tag season="late-|', 'late-and-dry', '<season-tag season="late-and-dry'],
    [
      'a slot',
      '<season-tag season="early"><i slot="small|',
      'smallMark',
      '<season-tag season="early"><i slot="smallMark',
    ],
    ['a name in an expression', '<p>{{ titl|', 'titleText', '<p>{{ titleText'],
    ['a name in an attribute', '<p title="{{ se|', 'seen', '<p title="{{ seen'],
    [
      'a handler',
      '<button type="button" handles="click: cou|',
      'countUp',
      '<button type="button" handles="click: countUp',
    ],
    ['what a template may have', '<template each-|', 'each-of', '<template each-of'],
  ])('completes %s', async (_what, written, label, made) => {
    press('<Esc>:%d _<CR>i');
    press(written.replace('|', '').replaceAll('<', '<lt>'));
    press('<C-x><C-o>');
    const found = await wait(
      () => list('labels'),
      (labels) => labels.includes(label),
    );
    expect(found).toContain(label);
    press('<C-n>'.repeat(found.indexOf(label) + 1));
    press('<C-y><Esc>');
    expect(ask('getline(1)')).toBe(made);
  });
});
