import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { beforeAll, describe, expect, test } from 'vitest';
import { isLong } from '../support/runs.js';
import { type Files, installed, Project, patience } from './project.js';
import { developed, served, useVisits } from './visit.js';

beforeAll(() => void installed(), patience);

const page = `<!doctype html>
<html lang="en"><head><title>Stalls</title><link rel="icon" href="data:,"></head><body>
<stall-sign name="North"></stall-sign>
<script type="module" src="/main.ts"></script>
</body></html>
`;
const sign = `import { component, el, prop } from 'zesty-lattice';
export const StallSign = component('stall-sign', {
  props: { name: prop.text() },
  state: () => ({ times: 0 }),
  template: ({ props }) => el.p(props.name),
});
`;
const vite: Files = {
  'package.json': '{ "type": "module" }',
  'vite.config.ts': `import lattice from 'zesty-lattice-tools/vite';
export default { plugins: [lattice()], build: { modulePreload: false } };
`,
  'index.html': page,
  'main.ts': `import { register } from 'zesty-lattice/elements';
import { StallSign } from './sign.ts';
register(StallSign);
`,
  'sign.ts': sign,
};

describe('a build with Vite', () => {
  test('fails for errors in components and templates, all of them reported with file and line', () => {
    const project = new Project({
      ...vite,
      'sign.ts': `${sign.replace('el.p(props.name)', 'el.p(el.div(props.name))')}
export const Other = component('other-sign', { props: { name: prop.text() }, uses: [StallSign], template: '<p>{{ nmae }}</p>\\n<stall-sign></stall-sign>' });
`,
    });
    const { code, out, err } = project.run('vite', 'build');
    expect(code).toBe(1);
    const reported = out + err;
    expect(reported).toContain('content-not-allowed');
    expect(reported).toMatch(/sign\.ts:5:\d+/);
    expect(reported).toContain('nmae');
    expect(reported).toMatch(/sign\.ts \(template of line 8\):1:7/);
    expect(reported).toContain('prop-missing');
    expect(reported).toMatch(/3 problems in the components of this build/);
  });

  test.runIf(isLong)('fails for a definition that no component can be made of', () => {
    const project = new Project({ ...vite, 'sign.ts': sign.replace("'stall-sign'", "'stallsign'") });
    const { code, out, err } = project.run('vite', 'build');
    expect(code).toBe(1);
    expect(out + err).toContain('name-invalid');
    expect(out + err).toMatch(/sign\.ts:2:/);
  });

  test.runIf(isLong)('does not fail for warnings', () => {
    const project = new Project({ ...vite, 'sign.ts': sign.replace('el.p(props.name)', "el.p('open')") });
    const { code, out, err } = project.run('vite', 'build');
    expect(out + err).toContain('prop-unread');
    expect(code).toBe(0);
    expect(readdirSync(join(project.folder, 'dist'))).toContain('index.html');
  });

  test('fails for errors in a page that is rendered ahead', () => {
    const project = new Project({
      ...vite,
      'vite.config.ts': `import lattice from 'zesty-lattice-tools/vite';
export default { plugins: [lattice({ prerender: true, components: ['./sign.ts'] })] };
`,
      'index.html': page.replace('name="North"', 'nmae="North"'),
    });
    const { code, out, err } = project.run('vite', 'build');
    expect(code).toBe(1);
    expect(out + err).toContain('prop-missing');
    expect(out + err).toMatch(/index\.html:3:/);
  });

  const visit = useVisits();
  /** What only a page of several modules has: a use at the top of one, texts beside what only a page can plan. */
  const mixed: Files = {
    ...vite,
    'index.html': page.replace(
      '<script',
      '<wide-lamp tone="blue"></wide-lamp><text-sign name="East"></text-sign><script',
    ),
    'main.ts': `import { register } from 'zesty-lattice/elements';
import { StallSign, TextSign, WideLamp } from './sign.ts';
register(StallSign, TextSign, WideLamp);
`,
    'sign.ts': `import { calc, component, el, prop } from 'zesty-lattice';
const Lamp = component('one-lamp', { props: { tone: prop.text() }, template: ({ props }) => el.b(props.tone) });
const red = Lamp({ tone: 'red' });
export const StallSign = component('stall-sign', {
  props: { name: prop.text() },
  state: () => ({ times: 0 }),
  template: ({ props }) => el.p(props.name, ' ', red),
});
export const TextSign = component('text-sign', { props: { name: prop.text() }, template: '<i>{{ name }}</i>' });
export const WideLamp = component('wide-lamp', {
  props: { tone: prop.text() },
  state: () => ({ at: 0 }),
  template: ({ props }) => {
    const now = String(Math.max(1, 2));
    return el.em(calc(props.tone, (tone) => tone + now));
  },
});
`,
  };
  const shown = `[...document.querySelectorAll('stall-sign, wide-lamp, text-sign')].map((one) => one.shadowRoot?.textContent)`;
  const wanted = ['North red', 'blue2', 'East'];

  test('shows what its modules make, written ahead or planned in the page', async () => {
    const project = new Project(mixed);
    const { code, err, out } = project.run('vite', 'build');
    expect(code).toBe(0);
    expect(out + err).toMatch(/plans some elements itself, which takes [\d.]+ KB/);
    expect(out + err).toMatch(
      /<wide-lamp> +by the page +main\.ts:3: calc\(props\.tone\): its function uses "now"/,
    );
    expect(out + err).toMatch(/<stall-sign> +at build time +[\d,]+ bytes/);
    const { page: built, reported } = await visit(await served(join(project.folder, 'dist')));
    await built.waitForFunction("customElements.get('wide-lamp')");
    expect(await built.evaluate(shown)).toEqual(wanted);
    expect(reported.filter((line) => line.startsWith('error'))).toEqual([]);
  });

  test.runIf(isLong)(
    'keeps records and lists of what the library makes, in one module and in several',
    async () => {
      const project = new Project({
        ...vite,
        'main.ts': `import { component, el, preset, prop } from 'zesty-lattice';
import { register } from 'zesty-lattice/elements';
import { ui } from './ui.ts';
const props = { name: prop.text(), crates: [prop.number().fallback(2)][0] };
const parts = { sign: ui.press({ class: 'wide' }, 'Go'), list: [el.i('a'), el.i('b')] };
const StallSign = component('stall-sign', {
  props,
  state: () => ({ times: 0 }),
  template: ({ props, state }) => [el.p(props.name, props.crates, state.times), parts.sign, parts.list],
});
register(StallSign);
`,
        'ui.ts': `import { el, preset } from 'zesty-lattice';
export const ui = { press: preset(el.button, { type: 'button' }) };
export default { loud: preset(el.button, { type: 'submit' }) };
`,
      });
      project.must('vite', 'build');
      const { page: built, reported } = await visit(await served(join(project.folder, 'dist')));
      await built.waitForFunction("customElements.get('stall-sign')");
      expect(await built.evaluate("document.querySelector('stall-sign').shadowRoot.innerHTML")).toMatch(
        /<p>North20<\/p><button type="button" class="wide">Go<\/button><i>a<\/i><i>b<\/i>/,
      );
      expect(reported).toEqual([]);
    },
  );

  test('shows the same during development', async () => {
    const project = new Project(mixed);
    const { url } = await developed(project);
    const { page: live, reported } = await visit(url);
    await live.waitForFunction("customElements.get('wide-lamp')");
    expect(await live.evaluate(shown)).toEqual(wanted);
    expect(reported.filter((line) => line.startsWith('error'))).toEqual([]);
  });

  test.runIf(isLong)('keeps nothing of the moment it was built', async () => {
    const project = new Project({
      ...vite,
      'index.html': page.replace('<stall-sign name="North">', '<stall-sign>'),
      'sign.ts': `import { calc, component, el, prop } from 'zesty-lattice';
const Day = component('one-day', {
  props: { first: prop.date().fallback(new Date()), then: prop.number().fallback(() => Math.random()) },
  template: ({ props }) => el.b(calc(props.first, (day) => day.getTime()), ' ', props.then),
});
export const StallSign = component('stall-sign', {
  props: { since: prop.date().fallback(new Date()), now: prop.date().fallback(() => new Date()) },
  state: () => ({ times: 0 }),
  template: ({ props }) => el.p(calc(props.since, (day) => day.getTime()), ' ', calc(props.now, (day) => day.getTime()), ' ', Day({})),
});
`,
    });
    expect(project.must('vite', 'build')).not.toContain('plans some elements itself');
    const builtAt = Date.now();
    const url = await served(join(project.folder, 'dist'));
    const moments = async (): Promise<readonly string[]> => {
      const { page: one } = await visit(url);
      await one.waitForFunction("customElements.get('stall-sign')");
      return (
        await one.evaluate<string>(`document.querySelector('stall-sign').shadowRoot.textContent`)
      ).split(' ');
    };
    const [first, second] = [await moments(), await moments()];
    for (const moment of [...first.slice(0, 3), ...second.slice(0, 3)])
      expect(Number(moment)).toBeGreaterThan(builtAt);
    expect(first[3]).not.toBe(second[3]);
  });

  test.runIf(isLong)('says nothing while developing of pages that it does not load anew', async () => {
    const project = new Project({ ...vite, 'sign.ts': sign });
    const { said, url } = await developed(project);
    const { page: live } = await visit(url);
    const becomes = (text: string): Promise<unknown> =>
      live.waitForFunction(
        (wanted) => document.querySelector('stall-sign')?.shadowRoot?.textContent === wanted,
        text,
      );
    await becomes('North');
    project.write({ 'sign.ts': sign.replace('props.name)', "props.name, ' gate')") });
    await becomes('North gate');
    project.write({ 'sign.ts': sign.replace('props.name)', "props.name, ' end')") });
    await becomes('North end');
    expect(said()).toContain('hmr update');
    expect(said()).not.toContain('page reload');
  });
});

test.runIf(isLong)('a run of Vitest with the plugin tells nothing but its tests', () => {
  const project = new Project({
    ...vite,
    'sign.test.ts': `import { expect, test } from 'vitest';
import { component, el, prop } from 'zesty-lattice';
import { renderHtml } from 'zesty-lattice/html';
import { StallSign } from './sign.ts';
// Wrong on purpose, as a test may be.
export const Wrong = component('wrong-sign', { props: { name: prop.text() }, template: () => el.p(el.div('x')) });
test('a sign', () => {
  expect(renderHtml(StallSign({ name: 'North' }))).toBe('<p>North</p>');
  expect(() => renderHtml(Wrong({ name: 'x' }))).toThrow('content-not-allowed');
});
`,
  });
  const { code, err, out } = project.run('vitest', 'run');
  expect(err).toBe('');
  expect(out).toContain('1 passed');
  expect(code).toBe(0);
});

describe.runIf(isLong)('a build without the plugin', () => {
  const visit = useVisits();

  test('shows what is written in modules, and says what files need', async () => {
    const project = new Project({
      ...vite,
      'vite.config.ts': 'export default {};\n',
      'sign.ts': `${sign}import { markupFile } from 'zesty-lattice/markup';
export const fileOf = () => markupFile(import.meta.url, './sign.html');
`,
      'main.ts': `import { register } from 'zesty-lattice/elements';
import { fileOf, StallSign } from './sign.ts';
register(StallSign);
fileOf();
`,
    });
    project.must('vite', 'build');
    for (const url of [(await developed(project)).url, await served(join(project.folder, 'dist'))]) {
      const { page: one, reported } = await visit(url);
      await one.waitForFunction("document.querySelector('stall-sign').shadowRoot?.textContent === 'North'");
      expect(reported.join()).toContain('file-unread');
      expect(reported.join()).toContain('sign.html');
    }
  });
});
