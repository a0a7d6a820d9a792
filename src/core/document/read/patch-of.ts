/** One step of a JSON Patch (RFC 6902), as far as they are made here. */
export type PatchStep =
  | { readonly op: 'add' | 'replace'; readonly path: string; readonly value: unknown }
  | { readonly op: 'remove'; readonly path: string };

/** A part of a way as a JSON Pointer has it (RFC 6901, 3). */
const pointer = (part: string): string => part.replaceAll('~', '~0').replaceAll('/', '~1');

const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null;

/** Whether two entries of a list are one, maybe changed: of one id; in lists of one length, where they have none, by their place. */
const isSameEntry = (a: unknown, b: unknown, byPlace: boolean): boolean =>
  a === b || (isObject(a) && isObject(b) && a['id'] === b['id'] && (byPlace || a['id'] !== undefined));

function ofLists(before: readonly unknown[], after: readonly unknown[], path: string): PatchStep[] {
  const most = Math.min(before.length, after.length);
  const isSame = (i: number, k: number): boolean =>
    isSameEntry(before.at(i), after.at(k), before.length === after.length);
  let head = 0;
  while (head < most && isSame(head, head)) head++;
  let tail = 0;
  while (tail < most - head && isSame(-1 - tail, -1 - tail)) tail++;
  const shift = after.length - before.length;
  const kept = [...Array(head).keys(), ...Array.from({ length: tail }, (_, i) => before.length - tail + i)];
  const changes = kept.flatMap((i) =>
    ofValues(before[i], after[i < head ? i : i + shift], `${path}/${i < head ? i : i + shift}`),
  );
  const gone = before.slice(head, before.length - tail).map((): PatchStep => ({
    op: 'remove',
    path: `${path}/${head}`,
  }));
  const come = after.slice(head, after.length - tail).map((value, i): PatchStep => ({
    op: 'add',
    path: `${path}/${head + i}`,
    value,
  }));
  // Entries are put and taken first: the places of the others are those they have afterwards.
  return [...gone, ...come, ...changes];
}

function ofObjects(
  before: Readonly<Record<string, unknown>>,
  after: Readonly<Record<string, unknown>>,
  path: string,
): PatchStep[] {
  const gone = Object.keys(before).filter((key) => before[key] !== undefined && after[key] === undefined);
  return [
    ...gone.map((key): PatchStep => ({ op: 'remove', path: `${path}/${pointer(key)}` })),
    ...Object.keys(after).flatMap((key) => {
      const way = `${path}/${pointer(key)}`;
      if (after[key] === undefined) return [];
      if (before[key] === undefined) return [{ op: 'add', path: way, value: after[key] } as const];
      return ofValues(before[key], after[key], way);
    }),
  ];
}

function ofValues(before: unknown, after: unknown, path: string): PatchStep[] {
  if (Object.is(before, after)) return [];
  if (Array.isArray(before) && Array.isArray(after)) return ofLists(before, after, path);
  if (isObject(before) && isObject(after) && Array.isArray(before) === Array.isArray(after))
    return ofObjects(before, after, path);
  return [{ op: 'replace', path, value: after }];
}

/**
 * The JSON Patch (RFC 6902) that makes one document of another. What both share is not looked into, so that a small change of a
 * large document is found at once; a list is told by what it begins and ends with alike, and by the ids of its entries.
 */
export const patchOf = (before: object, after: object): PatchStep[] => ofValues(before, after, '');
