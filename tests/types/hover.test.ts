import { fileURLToPath } from 'node:url';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { type LanguageServer, languageServer } from '../support/language-server.js';

const file = fileURLToPath(new URL('./hover.ts', import.meta.url));

describe('what an editor shows over a name', () => {
  let server: LanguageServer;
  beforeAll(async () => {
    server = await languageServer();
  });
  afterAll(() => server.stop());

  const hovers: Record<string, string> = {
    'VarietyCard = ': `const VarietyCard: Component<{
    crates?: number | undefined;
    picked?: Date | undefined;
    season?: "early" | "late" | undefined;
    title: string;
}, {
    badge: Content;
    default?: Content;
}>`,
    'Notice = ': 'const Notice: Component<{}, {}>',
    CardProps: `type CardProps = {
    crates?: number | undefined;
    picked?: Date | undefined;
    season?: "early" | "late" | undefined;
    title: string;
}`,
    CardSlots: `type CardSlots = {
    badge: Content;
    default?: Content;
}`,
    'VarietyCard({': `const VarietyCard: (props: PropInputs<{
    crates?: number | undefined;
    picked?: Date | undefined;
    season?: "early" | "late" | undefined;
    title: string;
}>, content: {
    badge: Content;
    default?: Content;
}) => Use`,
    "season: 'late'":
      '(property) season?: "early" | "late" | ExprOf<"early" | "late" | undefined> | undefined',
    "badge: 'New'": '(property) badge: Content',
    'stall) =>': '(parameter) stall: Expr<Stall>',
    'crates) })': '(property) crates: ExprOf<number>',
  };

  test.each(Object.entries(hovers))('%s', async (at, shown) => {
    expect((await server.hover(file, at)).trim()).toBe(shown);
  });
});
