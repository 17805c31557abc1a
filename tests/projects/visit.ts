import { type ChildProcess, spawn } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { extname, join } from 'node:path';
import { type Browser, chromium, type Page } from 'playwright-core';
import { afterAll, beforeAll, onTestFinished } from 'vitest';
import { browserOptions } from '../../scripts/browser.mjs';
import type { Project } from './project.js';

const types: Readonly<Record<string, string>> = {
  '.html': 'text/html',
  '.js': 'text/javascript',
  '.mjs': 'text/javascript',
  '.css': 'text/css',
  '.svg': 'image/svg+xml',
};

/** Serves a folder as any static server does; gives its address. */
export async function served(
  folder: string,
  headers: Readonly<Record<string, string>> = {},
): Promise<string> {
  const server = createServer((request, response) => {
    const path = new URL(request.url ?? '/', 'http://x').pathname;
    const file = join(folder, path.endsWith('/') ? `${path}index.html` : path);
    try {
      const text = readFileSync(file);
      response.writeHead(200, { 'content-type': types[extname(file)] ?? 'text/plain', ...headers }).end(text);
    } catch {
      response.writeHead(404).end();
    }
  });
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
  onTestFinished(() => void server.close());
  return `http://127.0.0.1:${(server.address() as AddressInfo).port}/`;
}

/** Starts Vite's development server of a project; gives its address, and what it says from then on. */
export async function developed(project: Project): Promise<{ url: string; said: () => string }> {
  const { NODE_ENV: _, VITEST: __, ...env } = process.env;
  const server: ChildProcess = spawn(
    join(project.folder, 'node_modules/.bin/vite'),
    ['--port', '0', '--host', '127.0.0.1'],
    { cwd: project.folder, env: { ...env, NO_COLOR: '1' }, stdio: ['ignore', 'pipe', 'pipe'] },
  );
  onTestFinished(() => void server.kill());
  let said = '';
  const url = await new Promise<string>((done, fail) => {
    const take = (text: Buffer): void => {
      said += text;
      const found = /http:\/\/127\.0\.0\.1:\d+\//.exec(said);
      if (found) done(found[0]);
    };
    server.stdout?.on('data', take);
    server.stderr?.on('data', take);
    server.on('exit', (code) => fail(new Error(`vite ended with ${code}\n${said}`)));
  });
  return { url, said: () => said };
}

export interface Visit {
  readonly page: Page;
  /** What was reported on the console, and errors. */
  readonly reported: readonly string[];
}

/** One Chromium for a test file. */
export function useVisits(): (url: string) => Promise<Visit> {
  let browser: Browser;
  beforeAll(async () => {
    browser = await chromium.launch(browserOptions);
  });
  afterAll(() => browser.close());
  return async (url) => {
    const page = await browser.newPage();
    const reported: string[] = [];
    page.on('console', (message) => reported.push(`${message.type()}: ${message.text()}`));
    page.on('pageerror', (error) => reported.push(`error: ${error.message}`));
    onTestFinished(() => page.close());
    await page.goto(url);
    return { page, reported };
  };
}
