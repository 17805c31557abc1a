import { readFileSync } from 'node:fs';
import { dirname } from 'node:path';
import type { ComponentCore } from 'zesty-lattice/internal/component';
import { isDocument } from 'zesty-lattice/internal/markup';
import type { Problem } from 'zesty-lattice/internal/problem';
import { resolveOpen } from 'zesty-lattice/internal/tree';
import { withAllowances } from '../check/allowed.js';
import { componentProblems } from '../check/components.js';
import { type FailedModule, textOfFailed, withoutFailed } from '../check/failed.js';
import { documentProblems, templateProblems } from '../check/markup.js';
import { readSettings, type Settings, withSettings } from '../check/settings.js';
import { typeProblems } from '../check/types.js';
import { isSampleFile } from '../samples/index.js';
import type { ReadProject } from './catalogue.js';
import { templateIn } from './template-in.js';

/**
 * What is wrong in a file of a project with this text, which need not be saved yet: a template's text, a document,
 * samples, or a module with templates in strings.
 */
export function problemsIn(project: ReadProject, file: string, text: string): readonly Problem[] {
  const settings = readSettings(dirname(file));
  const failed = project.unread.flatMap((one) => one.failed ?? []);
  const found = withoutFailed(foundIn(project, file, text, settings, failed), failed);
  // What is wrong with the project as a whole is not known here, and a comment may allow that.
  return withSettings(withAllowances(found, [[file, text]], false), settings);
}

function foundIn(
  project: ReadProject,
  file: string,
  text: string,
  { foreign: tags, types = false }: Settings,
  failed: readonly FailedModule[],
): readonly Problem[] {
  const { components } = project.known;
  if (!file.endsWith('.html'))
    return [
      ...failed.flatMap(({ problems }) => problems.filter(({ source }) => source?.file === file)),
      ...moduleProblems([...components.values()], file, text, types),
    ];
  const owners = [...components.values()].filter(
    ({ template }) => typeof template === 'object' && template.file === file,
  );
  if (owners.length > 0) return owners.flatMap((core) => textProblems(core, text, file, types));
  if (isDocument(text) || isSampleFile(file))
    return documentProblems(text, file, components, tags, !isDocument(text));
  return [...textOfFailed(file, failed), ...templateProblems(text, file, components, tags)];
}

/** What is wrong in a component's template, were this its text. */
function textProblems(core: ComponentCore, text: string, file: string, types: boolean): readonly Problem[] {
  const now = { ...core, template: { text, file } };
  return [...resolveOpen(now).problems, ...(types ? typeProblems(now) : [])].filter(
    ({ source }) => source?.file === file,
  );
}

/** What is wrong in the strings of a module that are templates; all else of it is known when it is saved. */
function moduleProblems(
  cores: readonly ComponentCore[],
  file: string,
  text: string,
  types: boolean,
): readonly Problem[] {
  const own = cores.filter(({ source }) => source?.file === file);
  const isSaved = (): boolean => {
    try {
      return readFileSync(file, 'utf8') === text;
    } catch {
      return false;
    }
  };
  const found: Problem[] = [];
  for (const core of own) {
    const isText = typeof core.template === 'object' && core.template.file === undefined;
    const place = isText ? templateIn(core.name, text) : undefined;
    const template = place && text.slice(place.from, place.to);
    // What a string works out, or writes with signs of its own, is known when the module runs.
    if (place && template !== undefined && !/[\\]|\$\{/.test(template)) {
      const before = text.slice(0, place.from).split('\n');
      const [line, column] = [before.length, (before.at(-1)?.length ?? 0) + 1];
      for (const one of textProblems(core, template, `${file}#`, types))
        found.push({ ...one, source: moved(one.source, file, line, column) });
    } else if (isSaved())
      found.push(...componentProblems(core).filter(({ source }) => source?.file === file));
  }
  return found;
}

function moved(
  source: Problem['source'],
  file: string,
  line: number,
  column: number,
): NonNullable<Problem['source']> {
  const { column: inside = 1, line: from } = source ?? { line: 1 };
  return { file, line: line + from - 1, column: from === 1 ? column + inside - 1 : inside };
}
