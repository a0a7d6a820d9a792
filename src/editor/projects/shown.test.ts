import type { PieceSummary, ProjectSummary } from '@/contract';
import { between, landmarkNames, shownProjects, type Order } from './shown';

const piece = (id: string, name: string, more: Partial<PieceSummary> = {}): PieceSummary => ({
  ...{ id, name, revision: 1, width: 1, height: 1, length: 100, over: null, strokes: 0 },
  ...{ rate: { numerator: 25, denominator: 1 }, updatedAt: '2026-01-01T00:00:00.000Z' },
  ...more,
});
const project = (name: string, pieces: PieceSummary[]): ProjectSummary => ({
  ...{ id: name, name, updatedAt: '2026-01-01T00:00:00.000Z', pieces },
});
const PROJECTS = [
  project('Estuary', [
    piece('a', 'Title 10', { updatedAt: '2026-03-01T00:00:00.000Z' }),
    piece('b', 'title 9', { length: 50, rate: { numerator: 10, denominator: 1 } }),
    piece('c', 'Éel route', { updatedAt: '2026-02-01T00:00:00.000Z', length: 30 }),
  ]),
  project('Eels', []),
];
const ids = (projects: readonly ProjectSummary[]) =>
  projects.map(({ name, pieces }) => [name, pieces.map(({ id }) => id).join('')]);

test.each<[Order, string]>([
  ['made', 'abc'],
  ['changed', 'acb'],
  ['name', 'cba'],
  ['length', 'cab'],
])('pieces stand %s', (order, expected) => {
  expect(ids(shownProjects(PROJECTS, '', order))[0]).toEqual(['Estuary', expected]);
});

test.each<[string, string[][]]>([
  [
    '',
    [
      ['Estuary', 'abc'],
      ['Eels', ''],
    ],
  ],
  ['TITLE', [['Estuary', 'ab']]],
  [
    'eel',
    [
      ['Estuary', 'c'],
      ['Eels', ''],
    ],
  ],
  ['estuary 9', [['Estuary', 'b']]],
  ['nothing like it', []],
])('“%s” finds what holds each of its words, in the piece or its project', (sought, expected) => {
  expect(ids(shownProjects(PROJECTS, sought, 'made'))).toEqual(expected);
});

test('a press with Shift takes in all between, across projects and both ways', () => {
  const two = [...PROJECTS, project('More', [piece('d', 'D')])];
  expect(between(two, 'b', 'd')).toEqual(['b', 'c', 'd']);
  expect(between(two, 'd', 'c')).toEqual(['c', 'd']);
  expect(between(two, 'gone', 'c')).toEqual(['c']);
});

test('projects of one name are told apart where they are read out', () => {
  const named = (...names: string[]) => landmarkNames(names.map((name) => ({ name })));
  expect(named('Tide', 'Reed', 'Tide', 'Tide')).toEqual(['Tide', 'Reed', 'Tide, 2', 'Tide, 3']);
});
