// What every script needs before its work: the packages of the lock file, and a build that is no older than the sources.
import { spawnSync } from 'node:child_process';
import { existsSync, readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { shellPath } from './browser.mjs';

export const root = fileURLToPath(new URL('..', import.meta.url));

/** Runs a command in the project's folder; ends the whole script with its exit code when it fails. */
export function run(command, args, options = {}) {
  const done = spawnSync(command, args, { cwd: root, stdio: 'inherit', ...options });
  if (done.error) throw done.error;
  if (done.status !== 0) process.exit(done.status ?? 1);
}

const time = (path) => (existsSync(path) ? statSync(path).mtimeMs : 0);

function newest(folder) {
  return readdirSync(folder, { withFileTypes: true }).reduce((latest, entry) => {
    const path = join(folder, entry.name);
    return Math.max(latest, entry.isDirectory() ? newest(path) : time(path));
  }, 0);
}

/** Installs the packages of the lock file, unless they are there and no older than it. */
export function install() {
  if (time(join(root, 'node_modules/.package-lock.json')) >= time(join(root, 'package-lock.json'))) return;
  console.log('Installing the packages of package-lock.json …');
  run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error']);
}

/** Builds both packages, unless what is built is there and newer than the sources. */
export function build() {
  const configs = ['lattice', 'tools'].flatMap((name) =>
    ['package.json', 'tsconfig.json'].map((file) => `packages/${name}/${file}`),
  );
  const latest = Math.max(
    newest(join(root, 'packages/lattice/src')),
    newest(join(root, 'packages/tools/src')),
    newest(join(root, 'examples/start')),
    ...['tsconfig.json', 'scripts/build.mjs', ...configs].map((name) => time(join(root, name))),
  );
  if (time(join(root, 'packages/tools/dist/built')) >= latest) return;
  console.log('Building the packages …');
  run('npm', ['run', '--silent', 'build']);
}

/** Installs a Debian program where it is missing and that is allowed; tells whether it is there. */
function tryProgram(path, name, what, errors = 'inherit') {
  if (existsSync(path)) return true;
  const may = process.getuid?.() === 0 && existsSync('/usr/bin/apt-get');
  if (may) {
    console.log(`Installing Debian’s ${name} for ${what} …`);
    const quiet = {
      stdio: ['ignore', 'ignore', errors],
      env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
      timeout: 180_000,
    };
    const install = () => spawnSync('apt-get', ['install', '-y', '-qq', name], quiet);
    // What apt knows of may be too old, or nothing at all.
    if (install().status !== 0) {
      spawnSync('apt-get', ['update', '-qq'], quiet);
      install();
    }
  }
  return existsSync(path);
}

/** The path of a Debian program that has to be there. Ends the script where it cannot be had. */
function needProgram(path, name, what) {
  if (tryProgram(path, name, what)) return path;
  console.error(`To test ${what}, ${path} is needed. Install it: sudo apt-get install ${name}`);
  process.exit(1);
}

/** The Chromium of usual runs, where it can be had: without it they have the whole program, and take longer. */
export const tryShell = () =>
  tryProgram(shellPath, 'chromium-headless-shell', 'usual runs of the tests', 'ignore');
export const needChromium = () => needProgram('/usr/bin/chromium', 'chromium', 'pages');
/** What one of the three engines needs on this machine: Chromium unless another one is named. */
export function needEngine(name) {
  if (name === 'firefox') needProgram('/usr/bin/firefox-esr', 'firefox-esr', 'pages in Firefox');
  else if (name === 'webkit') {
    needProgram('/usr/bin/WebKitWebDriver', 'webkit2gtk-driver', 'pages in WebKit');
    needProgram('/usr/bin/Xvfb', 'xvfb', 'pages in WebKit');
  } else needChromium();
}
export const needRedis = () => needProgram('/usr/bin/redis-server', 'redis-server', 'the queue');
