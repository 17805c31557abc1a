import { type ChildProcess, spawn } from 'node:child_process';
import { cpSync, mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import type { Page } from 'playwright-core';
import { root } from '../cli/lattice.js';

export interface Opened {
  readonly url: string;
  /** The project's folder, a copy of the demo's. */
  readonly folder: string;
  /** The command's own process. */
  readonly pid: number;
  end(): void;
}

/** Starts the built command in a copy of the demo's components. */
export async function opened(grove: string): Promise<Opened> {
  const folder = mkdtempSync(join(root, 'tests/preview/project-'));
  cpSync(join(root, 'examples/orchard'), join(folder, 'orchard'), { recursive: true });
  cpSync(join(root, 'examples/open-day/components'), join(folder, 'open-day/components'), {
    recursive: true,
  });
  mkdirSync(join(folder, 'grove'));
  writeFileSync(join(folder, 'grove/grove-form.ts'), grove);
  return serving(folder, ['orchard/components', 'open-day/components', 'grove'], folder);
}

export async function serving(folder: string, paths: readonly string[], own?: string): Promise<Opened> {
  const args = paths.map((path) => relative(root, join(folder, path)));
  const child = spawn('node', ['packages/tools/dist/node/cli.js', 'preview', ...args], {
    cwd: root,
    env: { ...process.env, NODE_ENV: '', NO_COLOR: '1' },
  });
  const url = await addressOf(child);
  return {
    url,
    folder,
    pid: child.pid ?? 0,
    end() {
      child.kill('SIGINT');
      if (own !== undefined) rmSync(own, { recursive: true });
    },
  };
}

function addressOf(child: ChildProcess): Promise<string> {
  return new Promise((give, fail) => {
    let said = '';
    child.stdout?.on('data', (part) => {
      said += part;
      const [url] = /http:\/\/127\.0\.0\.1:\d+\//.exec(said) ?? [];
      if (url) give(url);
    });
    child.stderr?.on('data', (part) => {
      said += part;
    });
    child.on('exit', () => fail(new Error(said)));
  });
}

/** What has the focus, through shadow roots: its label, else its text. */
const focused = `(() => {
  let one = document.activeElement;
  while (one?.shadowRoot?.activeElement) one = one.shadowRoot.activeElement;
  if (!one) return '';
  const label = one.getAttribute('aria-label') ?? [...(one.labels ?? [])].map((label) => label.textContent).join(' ');
  return (label || one.textContent || one.localName).trim();
})()`;

/** Goes on with the Tab key until what is named has the focus. */
export async function tabTo(page: Page, label: string | RegExp, key = 'Tab'): Promise<void> {
  const seen: string[] = [];
  for (let step = 0; step < 120; step++) {
    const now = String(await page.evaluate(focused));
    if (typeof label === 'string' ? now === label : label.test(now)) return;
    seen.push(now);
    await page.keyboard.press(key);
  }
  throw new Error(`${label} is not reached with ${key}: ${[...new Set(seen)].join(' | ')}`);
}

/** Types over what a field holds. */
export async function typeInto(page: Page, label: string | RegExp, text: string): Promise<void> {
  await tabTo(page, label);
  await page.keyboard.press('ControlOrMeta+a');
  if (text === '') await page.keyboard.press('Delete');
  else await page.keyboard.type(text);
}

/** Chooses a component as one does: by the key, by typing, and with Enter. */
export async function choose(page: Page, name: string): Promise<void> {
  await page.evaluate('document.activeElement?.blur()');
  await page.keyboard.press('/');
  await page.keyboard.type(name);
  await page.keyboard.press('Enter');
  await page.getByRole('heading', { name, exact: true, level: 2 }).waitFor();
}
