import { existsSync } from 'node:fs';
import { relative, resolve, sep } from 'node:path';
import { readSettings } from '../check/settings.js';
import type { Catalogue } from '../reading/facts.js';
import { Reading } from '../reading/reading.js';

const emptyCatalogue: Catalogue = { components: [], unread: [] };

/** A folder that an editor has open, and what is read of it. */
export class Project {
  readonly folder: string;
  readonly paths: readonly string[];
  readonly reading: Reading;
  /** What was read last; components of a module that cannot be loaded just now are as they were. */
  catalogue = emptyCatalogue;

  constructor(folder: string, paths: readonly string[]) {
    this.folder = folder;
    this.paths = paths.filter((path) => existsSync(path));
    this.reading = new Reading(this.paths);
  }

  /** Reads it, anew if asked to. */
  async read({ anew = false } = {}): Promise<void> {
    const { components, unread } = await (anew ? this.reading.renew() : this.reading.catalogue());
    const failed = new Set(unread.flatMap((one) => one.failed?.file ?? []));
    const names = new Set(components.map(({ name }) => name));
    const kept = this.catalogue.components.filter((one) => failed.has(one.file) && !names.has(one.name));
    this.catalogue = { components: [...components, ...kept], unread };
  }
}

/** The folders that an editor has open, each a project with settings of its own. */
export class Projects {
  readonly #given: readonly string[];
  #all: readonly Project[] = [];

  /** @param given the paths of the one project that there is, where the command was given any */
  constructor(given: readonly string[]) {
    this.#given = given;
  }

  get all(): readonly Project[] {
    return this.#all;
  }

  /** Opens folders; those that are open stay as they are. */
  open(folders: readonly string[]): readonly Project[] {
    const wanted = this.#given.length > 0 ? ['.'] : folders;
    const known = new Set(this.#all.map(({ folder }) => folder));
    const added = wanted.flatMap((folder) => {
      const full = resolve(folder);
      if (known.has(full)) return [];
      return [new Project(full, this.#given.length > 0 ? this.#given : pathsIn(full))];
    });
    this.#all = [...this.#all, ...added];
    return added;
  }

  close(folders: readonly string[]): void {
    if (this.#given.length > 0) return;
    const gone = new Set(folders.map((folder) => resolve(folder)));
    for (const one of this.#all) if (gone.has(one.folder)) one.reading.end();
    this.#all = this.#all.filter(({ folder }) => !gone.has(folder));
  }

  /** The project that a file belongs to: that of the innermost folder, else the first one. */
  of(file: string): Project | undefined {
    const around = this.#all.filter(({ folder }) => isIn(file, folder));
    return around.sort((one, other) => other.folder.length - one.folder.length)[0] ?? this.#all[0];
  }

  end(): void {
    for (const { reading } of this.#all) reading.end();
  }
}

/** What `lattice.json` of a folder says belongs to the project; all of the folder where it says nothing. */
function pathsIn(folder: string): readonly string[] {
  try {
    return readSettings(folder).paths ?? [folder];
  } catch {
    // What is wrong with it is reported by whatever reads the project.
    return [folder];
  }
}

function isIn(file: string, folder: string): boolean {
  const path = relative(folder, file);
  return path === '' || (path !== '..' && !path.startsWith(`..${sep}`) && !/^(?:[A-Za-z]:|\/)/.test(path));
}
