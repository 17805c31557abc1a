import { existsSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { beforeAll, describe, expect, test } from 'vitest';
import { isLong } from '../support/runs.js';
import { installed, Project, patience } from './project.js';
import { developed, served, useVisits } from './visit.js';

beforeAll(() => void installed(), patience);

/** A project as `lattice new --project` writes it, with its packages at hand. */
function newProject(): Project {
  const project = new Project({});
  project.must('lattice', 'new', '--project', '.');
  return project;
}

/** Runs one of its scripts, as `npm run` does. */
function script(project: Project, name: string, ...more: readonly string[]): string {
  const { scripts } = JSON.parse(project.read('package.json')) as { scripts: Record<string, string> };
  const [command = '', ...args] =
    scripts[name]?.match(/"[^"]*"|\S+/g)?.map((word) => word.replaceAll('"', '')) ?? [];
  return project.must(command, ...args, ...more);
}

describe('lattice new --project', () => {
  const visit = useVisits();

  test('writes a project of which each script works', () => {
    const project = newProject();
    script(project, 'types');
    expect(script(project, 'test')).toContain('2 passed');
    expect(script(project, 'check')).toContain('0 errors, 0 warnings');
    expect(existsSync(join(project.folder, '.gitignore'))).toBe(true);
    // The commands have tests of their own: npm run test:projects runs all of the scripts.
    if (!isLong) return;
    expect(script(project, 'tree')).toContain('3 components');
    expect(script(project, 'render')).toContain('<crate-taker label="Saltbell" start="4"');
    expect(script(project, 'batch')).toContain('3 rows: 3 written');
    expect(
      readdirSync(join(project.folder, 'out/stalls')).filter((name) => name.endsWith('.html')),
    ).toHaveLength(3);
    expect(script(project, 'describe')).toContain('manifest of 4 components');
    expect(script(project, 'pack', '--no-sizes')).toContain('components.js');
    expect(script(project, 'new', 'price-tag', '--dir', 'src')).toContain('price-tag.ts');
    expect(script(project, 'test')).toContain('4 passed');
    project.write({ 'hut.html': '<article><h2>Upper hut</h2><p>Dry wood inside.</p></article>' });
    expect(script(project, 'adopt', 'hut.html', '--name', 'hut-card')).not.toBe('');
  });

  test.runIf(isLong)('shows its page at once, and its counters count; built, too', async () => {
    const project = newProject();
    const { url } = await developed(project);
    const check = async (address: string): Promise<void> => {
      const { page, reported } = await visit(address);
      await page.getByRole('button', { name: 'One crate of Saltbell more' }).click();
      expect(await page.getByLabel('Crates of Saltbell').textContent()).toBe('5');
      expect(await page.locator('h1').textContent()).toBe('On the stalls today');
      expect(reported.filter((line) => !line.startsWith('debug'))).toEqual([]);
    };
    await check(url);
    script(project, 'build');
    await check(await served(join(project.folder, 'dist')));
  });

  test('writes nothing where something of it is there already', () => {
    const project = new Project({ 'package.json': '{}', 'fair/index.html': 'mine' });
    const { code, err } = project.run('lattice', 'new', '--project', 'fair');
    expect(code).toBe(2);
    expect(err).toContain('fair/index.html is there already. Nothing was written.');
    expect(readdirSync(join(project.folder, 'fair'))).toEqual(['index.html']);
    expect(project.run('lattice', 'new').err).toContain('Name the component');
  });
});
