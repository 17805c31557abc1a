import { nodeModule, type SourcePlace } from '../problem/index.js';

/** Finds a text in the module that wrote it, as far as it stands there letter by letter, behind the component's name. */
export function locate(text: string, { file, line }: SourcePlace): SourcePlace | undefined {
  let module: string | undefined;
  try {
    module = nodeModule<typeof import('node:fs')>('node:fs')?.readFileSync(file, 'utf8');
  } catch {
    return undefined;
  }
  if (module === undefined) return undefined;
  const from = module.split('\n', Math.max(0, line - 1)).join('\n').length;
  const at = module.indexOf(text, from);
  const found = at < 0 ? module.indexOf(text) : at;
  if (found < 0 || text === '') return undefined;
  const before = module.slice(0, found).split('\n');
  return { file, line: before.length, column: (before.at(-1)?.length ?? 0) + 1 };
}
