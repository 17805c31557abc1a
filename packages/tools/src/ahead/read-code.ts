/** A module's syntax tree; nothing for what is no code, such as a style sheet that only speaks of the library. */
export function readCode<Tree>(context: { parse(code: string): Tree }, code: string): Tree | undefined {
  try {
    return context.parse(code);
  } catch {
    // Code that cannot be read is reported by the bundler itself.
    return undefined;
  }
}
