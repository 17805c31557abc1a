const followers = new WeakMap<AbortSignal, Set<() => void>>();

/**
 * Has `stop` called when a signal aborts, at once if it has. Returns how to end that. However many follow a signal, it
 * has one listener: Node takes more than ten for a leak.
 */
export function whenAborted(signal: AbortSignal, stop: () => void): () => void {
  if (signal.aborted) {
    stop();
    return () => undefined;
  }
  const all = followers.get(signal) ?? new Set();
  if (!followers.has(signal)) {
    followers.set(signal, all);
    const stopAll = (): void => {
      for (const one of [...all]) one();
    };
    signal.addEventListener('abort', stopAll, { once: true });
  }
  // By itself, so that one function may follow twice.
  const own = (): void => stop();
  all.add(own);
  return () => void all.delete(own);
}
