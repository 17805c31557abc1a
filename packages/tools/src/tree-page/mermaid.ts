import {
  type ComponentTree,
  conditionWords,
  type TreePart,
  type TreeSlot,
  type TreeUse,
} from 'zesty-lattice/internal/tree';

/**
 * Trees as a diagram in the text form that Mermaid reads, as many documents and pull requests do: a box for each use,
 * an arrow from what holds it with the slot or the condition that it stands in.
 *
 * @example mermaid([resolve(FairPage)]) // 'flowchart LR\n  n1["fair-page"]\n  n1 --> n2["site-nav"]…'
 */
export function mermaid(trees: readonly ComponentTree[]): string {
  const lines = ['flowchart LR'];
  const unseen: string[] = [];
  let count = 0;
  const box = (use: TreeUse): string => {
    count += 1;
    if (use.shown === false) unseen.push(`n${count}`);
    return `n${count}[${quoted(use.component)}]`;
  };
  const follow = (use: TreeUse, id: string): void => {
    const below = [
      ...use.uses.map((inner) => ({ inner, slot: undefined as TreeSlot | undefined })),
      ...use.slots.flatMap((slot) => usesIn(slot.content).map((inner) => ({ inner, slot }))),
    ];
    for (const { inner, slot } of below) {
      const words = [
        ...(slot ? [`slot ${slot.name}`] : []),
        ...inner.under.map((one) => conditionWords(one, clip)),
      ].join(', ');
      const made = box(inner);
      lines.push(`  ${id} ${words === '' ? '-->' : `-->|${quoted(words)}|`} ${made}`);
      follow(inner, made.slice(0, made.indexOf('[')));
    }
  };
  for (const { root } of trees) {
    const made = box(root);
    lines.push(`  ${made}`);
    follow(root, made.slice(0, made.indexOf('[')));
  }
  if (unseen.length > 0)
    lines.push('  classDef unseen stroke-dasharray: 4 3, opacity: 0.6', `  class ${unseen.join(',')} unseen`);
  return `${lines.join('\n')}\n`;
}

function usesIn(content: readonly TreePart[]): readonly TreeUse[] {
  return content.flatMap((part) => ('component' in part ? [part] : []));
}

/** A text as a label: in quotes, with what would end it or be read as markup by its number. */
function quoted(text: string): string {
  return `"${text.replace(/[^\w .,:=!?+*/()[\]{}'-]/g, (sign) => `#${sign.codePointAt(0)};`)}"`;
}

function clip(text: string): string {
  return text.length > 40 ? `${text.slice(0, 39)}…` : text;
}
