/** The first of some ids from which `next` leads back to itself; null where there is no such circle. */
export function circleIn(ids: readonly string[], next: (id: string) => string | undefined): string | null {
  for (const start of ids) {
    let here = next(start);
    for (let steps = 0; here !== undefined && steps <= ids.length; steps++) {
      if (here === start) return start;
      here = next(here);
    }
  }
  return null;
}

/** The first id from which one of the ways on leads back to itself; null where none does. */
export function circleAmong(next: ReadonlyMap<string, readonly string[]>): string | null {
  const done = new Set<string>();
  const within = new Set<string>();
  const walk = (id: string): string | null => {
    if (within.has(id)) return id;
    if (done.has(id)) return null;
    within.add(id);
    for (const other of next.get(id) ?? []) {
      const found = walk(other);
      if (found !== null) return found;
    }
    within.delete(id);
    done.add(id);
    return null;
  };
  for (const id of next.keys()) {
    const found = walk(id);
    if (found !== null) return found;
  }
  return null;
}
