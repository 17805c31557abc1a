import { type ChildProcess, spawn } from 'node:child_process';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { chromium } from 'playwright-core';
import puppeteer from 'puppeteer-core';
import { browserOptions } from '../../scripts/browser.mjs';

export const engineNames = ['chromium', 'firefox', 'webkit'] as const;
export type EngineName = (typeof engineNames)[number];

/** A place in a page, in CSS pixels. */
type Spot = readonly [x: number, y: number];

/** A page in one of the engines. `where` is an expression for an element. */
export interface EnginePage {
  /** Returns what an expression in the page comes to, as JSON; promises are waited for. */
  evaluate<T>(expression: string): Promise<T>;
  click(where: string): Promise<void>;
  /** Types into what has the focus, as a visitor does. */
  type(text: string): Promise<void>;
  press(key: 'Tab' | 'Enter' | 'ArrowDown'): Promise<void>;
  /** Presses the pointer on one element, moves it to another one and releases it there. */
  drag(from: string, to: string): Promise<void>;
  /** Waits until an expression is true. */
  until(expression: string): Promise<void>;
}

/** One of the three engines. It has one page at a time. */
export interface Engine {
  readonly name: EngineName;
  readonly version: string;
  open(url: string): Promise<EnginePage>;
  close(): Promise<void>;
}

export function startEngine(name: EngineName): Promise<Engine> {
  return { chromium: startChromium, firefox: startFirefox, webkit: startWebkit }[name]();
}

/** What the three have under names of their own. */
interface Raw {
  evaluate<T>(expression: string): Promise<T>;
  pointer(moves: readonly Spot[]): Promise<void>;
  type(text: string): Promise<void>;
  press(key: string): Promise<void>;
}

function pageOf(raw: Raw): EnginePage {
  const middle = (where: string): Promise<Spot> =>
    raw.evaluate<Spot>(
      `(() => { const it = ${where}; it.scrollIntoView({ block: 'nearest' }); const { x, y, width, height } = it.getBoundingClientRect(); return [Math.round(x + width / 2), Math.round(y + height / 2)]; })()`,
    );
  return {
    evaluate: raw.evaluate,
    type: raw.type,
    press: raw.press,
    click: async (where) => raw.pointer([await middle(where)]),
    drag: async (from, to) => {
      const [start, end] = [await middle(from), await middle(to)];
      const between: Spot = [Math.round((start[0] + end[0]) / 2), Math.round((start[1] + end[1]) / 2)];
      await raw.pointer([start, between, end]);
    },
    async until(expression) {
      for (const end = Date.now() + 30_000; ; ) {
        if (await raw.evaluate<boolean>(`Boolean(${expression})`)) return;
        if (Date.now() > end) throw new Error(`Waited in vain for ${expression}`);
        await new Promise((done) => setTimeout(done, 20));
      }
    },
  };
}

async function startChromium(): Promise<Engine> {
  const browser = await chromium.launch(browserOptions);
  const page = await browser.newPage();
  return {
    name: 'chromium',
    version: browser.version(),
    async open(url) {
      await page.goto(url);
      return pageOf({
        evaluate: (expression) => page.evaluate(expression),
        pointer: (moves) => dragged(page.mouse, moves),
        type: (text) => page.keyboard.type(text),
        press: (key) => page.keyboard.press(key),
      });
    },
    close: () => browser.close(),
  };
}

async function startFirefox(): Promise<Engine> {
  const browser = await puppeteer.launch({
    browser: 'firefox',
    executablePath: '/usr/bin/firefox-esr',
    headless: true,
    protocolTimeout: 900_000,
  });
  const page = await browser.newPage();
  return {
    name: 'firefox',
    version: (await browser.version()).replace('firefox/', ''),
    async open(url) {
      await page.goto(url);
      return pageOf({
        evaluate: <T>(expression: string) => page.evaluate(expression) as Promise<T>,
        pointer: (moves) => dragged(page.mouse, moves),
        type: (text) => page.keyboard.type(text),
        press: (key) => page.keyboard.press(key as 'Tab'),
      });
    },
    close: () => browser.close(),
  };
}

interface Mouse {
  move(x: number, y: number): Promise<void>;
  down(): Promise<void>;
  up(): Promise<void>;
}

async function dragged(mouse: Mouse, [start, ...moves]: readonly Spot[]): Promise<void> {
  if (!start) return;
  await mouse.move(...start);
  await mouse.down();
  for (const spot of moves) await mouse.move(...spot);
  await mouse.up();
}

const keys: Readonly<Record<string, string>> = { Tab: '\uE004', Enter: '\uE007', ArrowDown: '\uE015' };

/** WebKit, by the WebDriver protocol (https://www.w3.org/TR/webdriver2/), in an X server of its own. */
async function startWebkit(): Promise<Engine> {
  const display = `:${90 + (process.pid % 9_000)}`;
  const port = 20_000 + (process.pid % 20_000);
  const children: ChildProcess[] = [
    spawn('Xvfb', [display, '-screen', '0', '1280x900x24'], { stdio: 'ignore' }),
    spawn('WebKitWebDriver', [`--port=${port}`], {
      stdio: 'ignore',
      env: { ...process.env, DISPLAY: display },
    }),
  ];
  const call = async <T>(method: string, path: string, body?: object): Promise<T> => {
    const answer = await fetch(`http://127.0.0.1:${port}${path}`, {
      method,
      headers: { 'content-type': 'application/json' },
      ...(body && { body: JSON.stringify(body) }),
    });
    const { value } = (await answer.json()) as { value: T };
    if (!answer.ok) throw new Error(JSON.stringify(value));
    return value;
  };
  const capabilities = {
    alwaysMatch: {
      'webkitgtk:browserOptions': {
        binary: `/usr/lib/${process.arch === 'arm64' ? 'aarch64' : 'x86_64'}-linux-gnu/webkit2gtk-4.1/MiniBrowser`,
        args: ['--automation'],
      },
      timeouts: { script: 900_000 },
    },
  };
  interface Session {
    readonly sessionId: string;
    readonly capabilities: { readonly browserVersion: string };
  }
  // Neither of the two says when it is there.
  const session = await (async () => {
    for (let left = 100; ; left--) {
      try {
        return await call<Session>('POST', '/session', { capabilities });
      } catch (error) {
        if (left === 0) throw error;
        await new Promise((done) => setTimeout(done, 100));
      }
    }
  })();
  const own = `/session/${session.sessionId}`;
  const actions = (list: readonly object[]): Promise<void> =>
    call('POST', `${own}/actions`, { actions: list });
  const keyed = (texts: readonly string[]): Promise<void> =>
    actions([
      {
        type: 'key',
        id: 'keys',
        actions: texts.flatMap((value) => [
          { type: 'keyDown', value },
          { type: 'keyUp', value },
        ]),
      },
    ]);
  const page = pageOf({
    async evaluate(expression) {
      const [isDone, value] = await call<[boolean, never]>('POST', `${own}/execute/async`, {
        script: `const done = arguments[arguments.length - 1]; (async () => (${expression}))().then((value) => done([true, value]), (error) => done([false, String(error) + (error.stack || '')]))`,
        args: [],
      });
      if (!isDone) throw new Error(value);
      return value;
    },
    pointer: ([start, ...moves]) => {
      const move = ([x, y]: Spot) => ({ type: 'pointerMove', duration: 0, x, y });
      return actions([
        {
          type: 'pointer',
          id: 'mouse',
          actions: [
            move(start as Spot),
            { type: 'pointerDown', button: 0 },
            ...moves.map(move),
            { type: 'pointerUp', button: 0 },
          ],
        },
      ]);
    },
    type: (text) => keyed([...text]),
    press: (key) => keyed([keys[key] ?? key]),
  });
  return {
    name: 'webkit',
    version: session.capabilities.browserVersion,
    async open(url) {
      await call('POST', `${own}/url`, { url });
      return page;
    },
    async close() {
      await call('DELETE', own).catch(() => undefined);
      for (const child of children) child.kill();
    },
  };
}

/** What a server answers to a path, or nothing. */
export type Answers = (path: string) => readonly [type: string, text: string | Uint8Array] | undefined;

/** Serves texts on this machine. */
export async function serveTexts(answers: Answers): Promise<{ readonly url: string; close(): void }> {
  const server = createServer(({ url = '/' }, response) => {
    const found = answers(new URL(url, 'http://x').pathname);
    if (found) response.writeHead(200, { 'content-type': found[0] }).end(found[1]);
    else response.writeHead(404).end();
  });
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
  return {
    url: `http://127.0.0.1:${(server.address() as AddressInfo).port}/`,
    close: () => {
      server.closeAllConnections();
      server.close();
    },
  };
}

/** Goes into a page's head: keeps what it reports, where no engine's own protocol is asked for it. */
export const reporting =
  "<script>window.said = []; for (const level of ['error', 'warn']) console[level] = (...all) => said.push(all.map(String).join(' ')); addEventListener('error', (event) => said.push(event.message)); addEventListener('unhandledrejection', (event) => said.push(String(event.reason)));</script>";
