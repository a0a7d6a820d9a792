import type { PieceSummary, ProjectSummary } from '@/contract';

/** Orders in which pieces of a project stand. */
export const ORDERS = {
  made: 'as they were made',
  changed: 'last changed first',
  name: 'by name',
  length: 'shortest first',
} as const;
export type Order = keyof typeof ORDERS;

const seconds = ({ length, rate }: PieceSummary): number => (length * rate.denominator) / rate.numerator;

const COMPARE: Readonly<Record<Order, (a: PieceSummary, b: PieceSummary) => number>> = {
  made: () => 0,
  changed: (a, b) => b.updatedAt.localeCompare(a.updatedAt),
  name: (a, b) => a.name.localeCompare(b.name, undefined, { numeric: true, sensitivity: 'base' }),
  length: (a, b) => seconds(a) - seconds(b),
};

/** Words of a text without case and accents, so that “eel” finds “Éel”. */
const plain = (text: string): string => text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase();

/** The projects with those of their pieces that hold each word that is sought, in an order; without words, all. */
export function shownProjects(
  projects: readonly ProjectSummary[],
  sought: string,
  order: Order,
): ProjectSummary[] {
  const words = plain(sought).split(/\s+/).filter(Boolean);
  const holds = (text: string): boolean => words.every((word) => plain(text).includes(word));
  return projects.flatMap((project) => {
    const pieces = project.pieces.filter((piece) => holds(`${project.name} ${piece.name}`));
    if (words.length > 0 && pieces.length === 0 && !holds(project.name)) return [];
    return [{ ...project, pieces: pieces.sort(COMPARE[order]) }];
  });
}

/** The pieces from one to another, as they stand: what a press with Shift takes in. */
export function between(projects: readonly ProjectSummary[], from: string, to: string): string[] {
  const ids = projects.flatMap((project) => project.pieces.map((piece) => piece.id));
  const [a, b] = [ids.indexOf(from), ids.indexOf(to)];
  return a < 0 || b < 0 ? [to] : ids.slice(Math.min(a, b), Math.max(a, b) + 1);
}

/** What each project is read out as: of several with one name, all but the first with their number, as no two landmarks may be called the same. */
export function landmarkNames(projects: readonly { readonly name: string }[]): string[] {
  const times = new Map<string, number>();
  return projects.map(({ name }) => {
    const time = (times.get(name) ?? 0) + 1;
    times.set(name, time);
    return time === 1 ? name : `${name}, ${time}`;
  });
}
