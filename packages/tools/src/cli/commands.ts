import { Argument, Command } from 'commander';

/** What a command is, before it is known whether it is called: its options come with all that it runs. */
interface Declared {
  readonly description: string;
  readonly arguments: readonly (readonly [term: string, description: string, choices?: readonly string[]])[];
  /** Adds its options and what it does. */
  load(): Promise<(command: Command) => Command>;
}

const declared: Readonly<Record<string, Declared>> = {
  new: {
    description: 'Create a component with a test and a sample, or a project.',
    arguments: [['[tag-name]', 'tag name of the component, for example variety-card']],
    load: async () => (await import('./commands/new.js')).newCommand,
  },
  render: {
    description: 'Render a component to HTML, or the components in documents.',
    arguments: [
      ['<files...>', 'a TypeScript or JavaScript module that exports the component, or HTML documents'],
    ],
    load: async () => (await import('./commands/render.js')).renderCommand,
  },
  tree: {
    description: 'Show the tree of components with props, slots and problems.',
    arguments: [
      ['<file>', 'a TypeScript or JavaScript module that exports the component, or an HTML document'],
    ],
    load: async () => (await import('./commands/tree.js')).treeCommand,
  },
  check: {
    description: 'Check components, template texts and documents.',
    arguments: [['[paths...]', 'files and folders (default: "paths" of lattice.json)']],
    load: async () => (await import('./commands/check.js')).checkCommand,
  },
  adopt: {
    description: 'Turn existing HTML into a component.',
    arguments: [['<file>', 'an HTML file with one block, or several with the same structure']],
    load: async () => (await import('./commands/adopt.js')).adoptCommand,
  },
  batch: {
    description: 'Write a page for each row of a file of data.',
    arguments: [['[page]', 'a TypeScript or JavaScript module that exports the component']],
    load: async () => (await import('./commands/batch.js')).batchCommand,
  },
  preview: {
    description: 'Open a page with all components, or take a picture of every sample.',
    arguments: [
      [
        '[paths...]',
        'files and folders with components and their samples (default: "paths" of lattice.json, or .)',
      ],
    ],
    load: async () => (await import('./commands/preview.js')).previewCommand,
  },
  describe: {
    description: 'Describe components for other tools and for people.',
    arguments: [['[paths...]', 'files and folders with components (default: "paths" of lattice.json)']],
    load: async () => (await import('./commands/describe.js')).describeCommand,
  },
  pack: {
    description: 'Build ES modules of elements for a plain page, and print their sizes.',
    arguments: [['<modules...>', 'TypeScript or JavaScript modules that export or register the components']],
    load: async () => (await import('./commands/pack.js')).packCommand,
  },
  editor: {
    description: 'Run the language server for HTML templates on standard input and output.',
    arguments: [
      [
        '[paths...]',
        'files and folders of the project (default: "paths" of lattice.json, or the folders that the editor has open)',
      ],
    ],
    load: async () => (await import('./commands/editor.js')).editorCommand,
  },
  completion: {
    description: 'Print what a shell reads to complete this command.',
    arguments: [['<shell>', 'for which shell', ['bash', 'zsh', 'fish']]],
    load: async () => {
      const { completionCommand } = await import('./commands/completion.js');
      return (command) => completionCommand(allCommands, command);
    },
  },
};

/** All commands by what they are for; the one that is called, or asked about, with its options as well. */
export async function commandsFor(args: readonly string[]): Promise<readonly Command[]> {
  const called = args[0] === 'help' ? args[1] : args[0];
  return Promise.all(Object.entries(declared).map((one) => commandOf(one, one[0] === called)));
}

/** All commands with all of their options. */
export function allCommands(): Promise<readonly Command[]> {
  return Promise.all(Object.entries(declared).map((one) => commandOf(one, true)));
}

async function commandOf(
  [name, { arguments: all, description, load }]: readonly [string, Declared],
  isLoaded: boolean,
): Promise<Command> {
  const command = new Command(name).description(description);
  for (const [term, what, choices] of all) {
    const argument = new Argument(term, what);
    command.addArgument(choices ? argument.choices(choices) : argument);
  }
  return isLoaded ? (await load())(command) : command;
}
