import { execFileSync } from 'node:child_process';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { expect, test } from 'vitest';

const root = fileURLToPath(new URL('../..', import.meta.url));

const program = `import { component, el, prop } from 'zesty-lattice';
import { renderHtml } from 'zesty-lattice/html';
const Panel = component('fold-panel', {
  props: { open: prop.flag(), title: prop.text() },
  template: ({ props }) => {
    if (props.open) return el.p('open');
    return el.p(props.title);
  },
});
try {
  renderHtml(Panel, { title: 'Rain' });
} catch ({ problems }) {
  console.log(JSON.stringify(problems));
}
`;

test.each(['', 'production'])(
  'a value that is read as if it were there is reported with its line, NODE_ENV=%s',
  (mode) => {
    const out = execFileSync('node', ['--input-type=module', '-e', program], {
      cwd: root,
      encoding: 'utf8',
      env: { ...process.env, NODE_ENV: mode },
    });
    const [problem] = JSON.parse(out);
    expect(problem.code).toBe('value-unplaced');
    expect(problem.where).toBe('fold-panel');
    expect(problem.source.line).toBe(6);
    expect(problem.source.file).toContain(join('', '[eval1]'));
  },
);
