import fc from 'fast-check';

const { whole } = fc.letrec<{ whole: string }>((tie) => ({
  whole: fc.oneof(
    { maxDepth: 4, withCrossShrink: true },
    fc.constantFrom('title', 'crates', 'rare', 'none', 'item', 'items', 'day', '1', "'x'", 'null'),
    fc
      .tuple(
        tie('whole'),
        fc.constantFrom('+', '-', '*', '/', '%', '==', '<', 'and', 'or', '??'),
        tie('whole'),
      )
      .map((parts) => `(${parts.join(' ')})`),
    fc.tuple(tie('whole'), tie('whole')).map(([of, key]) => `${of}[${key}]`),
    fc
      .tuple(tie('whole'), fc.constantFrom('length', 'name', 'constructor', '__proto__'))
      .map((parts) => parts.join('.')),
    fc.tuple(tie('whole'), tie('whole'), tie('whole')).map(([a, b, c]) => `(${a} ? ${b} : ${c})`),
    tie('whole').map((of) => `not ${of}`),
    fc.tuple(tie('whole'), tie('whole')).map(([a, b]) => `both(${a}, ${b})`),
  ),
}));

/** Expressions that can be read, of names and helpers that the tests have. */
export const soundExpression: fc.Arbitrary<string> = whole;
