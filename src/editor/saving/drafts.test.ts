import 'fake-indexeddb/auto';
import { DRAFTS, holdSession, orphanedDrafts } from './drafts';

/** Web Locks as far as drafts need them: held until what was asked with settles. */
const held = new Map<string, number>();
Object.defineProperty(globalThis, 'navigator', {
  configurable: true,
  value: {
    locks: {
      async request(name: string, during: () => Promise<void>) {
        held.set(name, (held.get(name) ?? 0) + 1);
        await during();
        held.delete(name);
      },
      query: async () => ({ held: [...held.keys()].map((name) => ({ name })) }),
    },
  },
});

const draft = (pieceId: string, session: string, at: number, document: unknown = { at }) => ({
  pieceId,
  session,
  baseRevision: 1,
  document,
  at,
});
const NONE: ReadonlySet<string> = new Set();
const sessions = async (piece: string, ended = NONE) =>
  (await orphanedDrafts(piece, ended)).map(({ session }) => session);

test('drafts of sessions that are gone are left to the next, oldest first, each piece its own', async () => {
  await DRAFTS.keep(draft('one', 'late', 30));
  await DRAFTS.keep(draft('one', 'early', 10));
  await DRAFTS.keep(draft('two', 'other', 20));
  expect(await sessions('one')).toEqual(['early', 'late']);
  expect(await sessions('two')).toEqual(['other']);
  await DRAFTS.drop({ pieceId: 'one', session: 'early' });
  expect(await sessions('one')).toEqual(['late']);
});

test('a session that lives keeps its draft to itself until it lets go, or is over in this very window', async () => {
  const release = holdSession('living');
  await DRAFTS.keep(draft('three', 'living', 1));
  expect(await sessions('three')).toEqual([]);
  expect(await sessions('three', new Set(['living']))).toEqual(['living']);
  release();
  await new Promise((done) => setTimeout(done));
  expect(await sessions('three')).toEqual(['living']);
});

test('kept again a draft is one still, as it was kept last, whatever is in it', async () => {
  await DRAFTS.keep(draft('four', 's', 1, { half: 'a document' }));
  await DRAFTS.keep(draft('four', 's', 2, null));
  expect(await orphanedDrafts('four', NONE)).toEqual([draft('four', 's', 2, null)]);
});
