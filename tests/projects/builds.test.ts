import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, test } from 'vitest';
import { type Files, Project } from './project.js';

const page = `<!doctype html>
<html lang="en"><head><title>Stalls</title></head><body>
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
  'vite.config.ts': `import lattice from 'zesty-lattice/vite';
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
  test('fails for errors in components and templates, all of them told with file and line', () => {
    const project = new Project({
      ...vite,
      'sign.ts': `${sign.replace('el.p(props.name)', 'el.p(el.div(props.name))')}
export const Other = component('other-sign', { props: { name: prop.text() }, uses: [StallSign], template: '<p>{{ nmae }}</p>\\n<stall-sign></stall-sign>' });
`,
    });
    const { code, out, err } = project.run('vite', 'build');
    expect(code).toBe(1);
    const told = out + err;
    expect(told).toContain('content-not-allowed');
    expect(told).toMatch(/sign\.ts:5:\d+/);
    expect(told).toContain('nmae');
    expect(told).toMatch(/sign\.ts \(template of line 8\):1:7/);
    expect(told).toContain('prop-missing');
    expect(told).toMatch(/3 problems in the components of this build/);
  });

  test('fails for a definition that no component can be made of', () => {
    const project = new Project({ ...vite, 'sign.ts': sign.replace("'stall-sign'", "'stallsign'") });
    const { code, out, err } = project.run('vite', 'build');
    expect(code).toBe(1);
    expect(out + err).toContain('name-invalid');
    expect(out + err).toMatch(/sign\.ts:2:/);
  });

  test('does not fail for warnings', () => {
    const project = new Project({ ...vite, 'sign.ts': sign.replace('el.p(props.name)', "el.p('open')") });
    const { code, out, err } = project.run('vite', 'build');
    expect(out + err).toContain('prop-unread');
    expect(code).toBe(0);
    expect(readdirSync(join(project.folder, 'dist'))).toContain('index.html');
  });

  test('fails for errors in a page that is rendered ahead', () => {
    const project = new Project({
      ...vite,
      'vite.config.ts': `import lattice from 'zesty-lattice/vite';
export default { plugins: [lattice({ prerender: true, components: ['./sign.ts'] })] };
`,
      'index.html': page.replace('name="North"', 'nmae="North"'),
    });
    const { code, out, err } = project.run('vite', 'build');
    expect(code).toBe(1);
    expect(out + err).toContain('prop-missing');
    expect(out + err).toMatch(/index\.html:3:/);
  });
});
