/** The pages of the site: guides in the order of work, then what one looks things up in. */
export interface Listed {
  /** The page's name, which is its file's. */
  readonly at: string;
  readonly title: string;
  /** Where its text is, from the repository's root; the reference's pages are made by the build. */
  readonly from: string;
}

export interface Group {
  readonly title: string;
  readonly pages: readonly Listed[];
}

const doc = (at: string, title: string): Listed => ({ at, title, from: `docs/${at}.md` });

export const groups: readonly Group[] = [
  {
    title: 'Guide',
    pages: [
      doc('start', 'Ten minutes'),
      doc('props', 'Props'),
      doc('slots', 'Slots'),
      doc('compose', 'Compose'),
      doc('html', 'HTML templates'),
      doc('render', 'Render'),
      doc('data', 'Data that is loaded'),
      doc('elements', 'Elements'),
      doc('styles', 'Styles'),
      doc('forms', 'Forms'),
      doc('testing', 'Testing'),
      doc('vite', 'With Vite'),
      doc('check', 'Check'),
      doc('batch', 'Many pages, and mail'),
    ],
  },
  {
    title: 'Recipes and tools',
    pages: [
      doc('choose', 'Choose an output'),
      doc('recipes', 'Recipes'),
      doc('projects', 'In any project'),
      doc('deploy', 'Deploy'),
      doc('migrate', 'Migrate a page'),
      doc('preview', 'Preview and inspect'),
      doc('editor', 'In the editor'),
      doc('describe', 'Describe'),
      doc('pack', 'Pack'),
      doc('presets', 'Presets'),
      doc('security', 'Security'),
    ],
  },
  {
    title: 'Reference',
    pages: [
      doc('questions', 'Questions'),
      doc('problems', 'Problems'),
      doc('options', 'Options'),
      doc('types', 'Types'),
      doc('reference', 'Reference'),
      doc('glossary', 'Glossary'),
      doc('tree', 'The tree as JSON'),
      ...(
        [
          ['lattice.src', 'zesty-lattice'],
          ['lattice.src.Namespace.prop', 'Kinds of props'],
          ['lattice.src.html', '… /html'],
          ['lattice.src.elements', '… /elements'],
          ['lattice.src.markup', '… /markup'],
          ['lattice.src.mail', '… /mail'],
          ['tools.src.check', '…-tools/check'],
          ['tools.src.describe', '…-tools/describe'],
          ['tools.src.testing', '…-tools/testing'],
          ['tools.src.inspect', '…-tools/inspect'],
          ['tools.src.vite', '…-tools/vite'],
          ['tools.src.bundlers', '…-tools/bundlers'],
        ] as const
      ).map(([name, title]): Listed => ({ at: apiPage(name), title, from: `out/site-api/${name}.md` })),
    ],
  },
  {
    title: 'Background',
    pages: [
      doc('how-it-works', 'How it works'),
      doc('speed', 'Speed'),
      { at: 'results', title: 'Results of the bench', from: 'bench/results.md' },
      { at: 'contributing', title: 'Contributing', from: 'CONTRIBUTING.md' },
      { at: 'changes', title: 'Changes', from: 'CHANGELOG.md' },
      doc('guide', 'All guides'),
    ],
  },
];

/** The name of a reference page, by the file that TypeDoc writes for it. */
export function apiPage(name: string): string {
  const own = name.replace(/^(?:lattice|tools)\.src\.?/, '');
  return `api-${own === '' ? 'authoring' : own === 'Namespace.prop' ? 'prop' : own}`;
}
