import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { afterAll, describe, expect, test } from 'vitest';
import { component, el, prop, resolve } from 'zesty-lattice';
import { markupFile } from 'zesty-lattice/markup';
import { root } from '../cli/lattice.js';

const folder = mkdtempSync(join(root, 'tests/problems/out-'));
afterAll(() => rmSync(folder, { recursive: true }));

/** Runs a module as its author would, and gives what it prints where it stops. */
function stopped(code: string): string {
  const path = join(folder, 'stopped.mjs');
  writeFileSync(
    path,
    `import { component, el, prop } from 'zesty-lattice';\nimport { renderHtml } from 'zesty-lattice/html';\n${code}`,
  );
  const { stderr } = spawnSync('node', [path], {
    cwd: root,
    encoding: 'utf8',
    env: { ...process.env, NODE_ENV: '' },
  });
  return stderr;
}

describe('an error that nobody catches', () => {
  const made = `const Sign = component('stall-sign', { props: { name: prop.text() }, template: ({ props }) => el.p(props.name) });\n`;

  test('is reported once, and its stack has no frames of this library', () => {
    const text = stopped(`${made}renderHtml(Sign({ nmae: 'North' }));\n`);
    expect(text.match(/The required prop "name"/g)).toHaveLength(1);
    expect(text).not.toMatch(/problems: \[/);
    expect(text).not.toMatch(/at .*dist\/node/);
    expect(text).toMatch(/at .*stopped\.mjs:4/);
  });

  test('of a template is reported with the line in the template, and what it was', () => {
    const text = stopped(`const Broken = component('broken-sign', {
  template: () =>
    el.p(undefined.name),
});
renderHtml(Broken({}));
`);
    expect(text).toContain(
      "The template of broken-sign stopped with an error: Cannot read properties of undefined (reading 'name').",
    );
    expect(text).toMatch(/at .*stopped\.mjs:5:\d+\n/);
    expect(text).toContain('It reads a property of something undefined: see the line.');
  });
});

test('a use in a test’s own helper is reported with the line of the helper’s call', () => {
  const Broken = component('sign-here', {
    template: () => {
      const list = undefined as unknown as string[];
      return el.p(list[0]); // here
    },
  });
  const [problem] = resolve(Broken).problems;
  expect(problem?.code).toBe('template-failed');
  expect(problem?.source?.file).toBe(join(root, 'tests/problems/errors.test.ts'));
});

describe('a file that is not there', () => {
  writeFileSync(join(folder, 'stall-sign.html'), '<p>x</p>');
  const module = `file://${folder}/stall.ts`;

  test.each(['template', 'styles'])('names the component and the part: %s', (part) => {
    const parts = { template: '<p>x</p>', [part]: markupFile(module, './stall-sgin.html') };
    let reported: unknown;
    try {
      component('stall-sign', parts as never);
    } catch (thrown) {
      reported = thrown;
    }
    const [problem] = (reported as { problems: { code: string; message: string; hint: string }[] }).problems;
    expect(problem?.code).toBe('file-missing');
    expect(problem?.message).toBe(
      `The part "${part}" of <stall-sign> is the file ${join(folder, 'stall-sgin.html')}, which cannot be read: no such file or directory.`,
    );
    expect(problem?.hint).toBe('Did you mean ./stall-sign.html?');
  });

  test('and by itself it is reported where its text is read', () => {
    expect(() => markupFile(module, './nowhere.css').text).toThrow('file-missing');
    expect(markupFile(module, './stall-sign.html').text).toBe('<p>x</p>');
  });
});

test('broken rules are reported with their own file and line', () => {
  writeFileSync(join(folder, 'hut.css'), 'p { margin: 0 }\n\nb { color: red\n');
  const Hut = component('hut-sign', {
    props: { name: prop.text() },
    template: ({ props }) => el.p(props.name),
    styles: markupFile(`file://${folder}/x.ts`, './hut.css'),
  });
  const [problem] = resolve(Hut).problems;
  expect(problem?.code).toBe('styles-invalid');
  expect(problem?.source).toMatchObject({ file: join(folder, 'hut.css'), line: 3 });
});
