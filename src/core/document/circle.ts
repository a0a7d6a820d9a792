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
