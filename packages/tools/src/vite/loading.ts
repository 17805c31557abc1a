import { createRunnableDevEnvironment, type Plugin, type ResolvedConfig, resolveConfig } from 'vite';
import { MarkedLoading } from '../ahead/marking.js';
import { isCode } from '../ahead/module.js';
import { isOwnModule } from '../ahead/packages.js';
import { readCode } from '../ahead/read-code.js';
import { TextFiles, textFiles } from './text-files.js';

const doors = ['zesty-lattice', 'zesty-lattice/elements', 'zesty-lattice/html', 'zesty-lattice/markup'];

function isFound(find: string | RegExp, door: string): boolean {
  return typeof find === 'string' ? door === find || door.startsWith(`${find}/`) : find.test(door);
}

/** Loads the modules of components in Node, as Vite reads them. */
export class NodeLoading extends MarkedLoading {
  readonly #config: ResolvedConfig;
  readonly #texts = new TextFiles();
  #environment: Promise<ReturnType<typeof createRunnableDevEnvironment>> | undefined;

  constructor(config: ResolvedConfig, packages: readonly string[]) {
    super(packages);
    this.#config = config;
  }

  async load(file: string): Promise<Readonly<Record<string, unknown>>> {
    this.#environment ??= this.#start();
    const { runner } = await this.#environment;
    return (await runner.import(file)) as Readonly<Record<string, unknown>>;
  }

  override async close(): Promise<void> {
    await (await this.#environment)?.close();
    await super.close();
  }

  async #start(): Promise<ReturnType<typeof createRunnableDevEnvironment>> {
    const { root, resolve } = this.#config;
    const config = await resolveConfig(
      {
        root,
        configFile: false,
        envDir: false,
        logLevel: 'silent',
        // The library itself is the one that Node has.
        resolve: { alias: resolve.alias.filter(({ find }) => !doors.some((door) => isFound(find, door))) },
        plugins: [textFiles(this.#texts), this.#marking()],
        environments: {
          lattice: {
            consumer: 'server',
            dev: { moduleRunnerTransform: true },
            resolve: {
              external: true,
              noExternal: [...this.packages],
              mainFields: [],
              conditions: ['node'],
            },
          },
        },
      },
      'serve',
    );
    const environment = createRunnableDevEnvironment('lattice', config, {
      runnerOptions: { hmr: { logger: false } },
      hot: false,
    });
    await environment.init();
    return environment;
  }

  #marking(): Plugin {
    const { packages } = this;
    const texts = this.#texts;
    const note = (file: string): void => this.note(file);
    const mark: MarkedLoading['mark'] = (...args) => this.mark(...args);
    return {
      name: 'zesty-lattice:marking',
      enforce: 'post',
      async transform(code, id) {
        const text = texts.fileOf(id);
        if (text !== undefined) note(text);
        if (text !== undefined || !isOwnModule(id, packages)) return undefined;
        const file = id.replace(/\?.*$/, '');
        note(file);
        const tree = isCode(file) ? readCode(this, code) : undefined;
        if (!tree) return undefined;
        const marked = await mark(code, file, tree, async (source) => {
          const found = await this.resolve(source, id);
          return found && isOwnModule(found.id, packages) ? found.id : undefined;
        });
        return marked && { code: marked.toString(), map: marked.generateMap({ hires: 'boundary' }) };
      },
    };
  }
}
