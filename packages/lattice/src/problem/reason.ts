/** What something thrown says of itself. */
export function reasonOf(thrown: unknown): string {
  return String((thrown as Error | undefined)?.message ?? thrown);
}

/** The same with what caused it, for developers: `fetch failed: connect ECONNREFUSED 10.0.0.5:80`. */
export function fullReason(thrown: unknown): string {
  const reasons = new Set<string>();
  // A cause may be its own.
  for (let one = thrown; one !== undefined && one !== null && reasons.size < 5; one = (one as Error).cause) {
    const before = reasons.size;
    // An error of several addresses has no words of its own (AggregateError).
    const [first] = (one as AggregateError).errors ?? [];
    reasons.add(reasonOf(one) || reasonOf(first ?? (one as { code?: string }).code ?? one));
    if (reasons.size === before) break;
  }
  return [...reasons].join(': ') || reasonOf(thrown);
}
