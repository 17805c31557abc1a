/** What something thrown says of itself. */
export function reasonOf(thrown: unknown): string {
  return String((thrown as Error | undefined)?.message ?? thrown);
}
