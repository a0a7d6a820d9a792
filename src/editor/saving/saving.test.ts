import type { OpenPiece } from '@/contract';
import { hashOf, newPiece, type Piece } from '@/core/document';
import { ApiError } from './api';
import type { Draft } from './drafts';
import { placeInWords } from './place-in-words';
import { startSaving, type SaveState } from './saving';

jest.useFakeTimers();

/** Lets promises run without time passing. */
const turn = async () => {
  for (let i = 0; i < 30; i++) await Promise.resolve();
};
const pass = async (ms: number) => {
  await jest.advanceTimersByTimeAsync(ms);
  await turn();
};

/** A server that holds one piece, as the real one does: stale saves are refused, a save sent again is taken as done. */
function fakeServer(document: Piece) {
  const server = {
    revision: 1,
    savedBy: 'someone',
    document,
    reachable: true,
    /** Loses the answer to the next save, after taking it. */
    losesAnswer: false,
    refuses: null as ApiError | null,
    beside: [] as string[],
    saves: 0,
    hold: null as Promise<void> | null,
  };
  const away = () => new ApiError(0, 'The server cannot be reached.');
  const ports = {
    async read(): Promise<OpenPiece> {
      if (!server.reachable) throw away();
      const { revision, savedBy, document: stored } = server;
      return { id: 'p', projectId: 'q', projectName: 'Q', revision, savedBy, document: stored };
    },
    async revision() {
      if (server.refuses) throw server.refuses;
      return server.revision;
    },
    async save(body: { baseRevision: number; session: string; document: Piece }) {
      if (!server.reachable) throw away();
      if (server.refuses) throw server.refuses;
      server.saves++;
      const again = server.savedBy === body.session && server.revision === body.baseRevision + 1;
      if (again && JSON.stringify(server.document) === JSON.stringify(body.document))
        return { revision: server.revision, hash: hashOf(body.document) };
      if (body.baseRevision !== server.revision)
        throw new ApiError(409, 'Changed elsewhere.', { revision: server.revision });
      Object.assign(server, {
        revision: server.revision + 1,
        savedBy: body.session,
        document: structuredClone(body.document),
      });
      const mine = server.revision;
      if (server.losesAnswer) {
        server.losesAnswer = false;
        throw away();
      }
      await server.hold;
      return { revision: mine, hash: hashOf(body.document) };
    },
    restore: async () => {},
    async bringBack() {
      server.refuses = null;
    },
    async putBeside(other: Piece) {
      server.beside.push(other.name);
    },
  };
  return { server, ports };
}

/** A browser's store of drafts. */
function fakeDrafts() {
  const kept = new Map<string, Draft>();
  return {
    kept,
    box: {
      async keep(draft: Draft) {
        kept.set(draft.session, structuredClone(draft));
      },
      async drop({ session }: { session: string }) {
        kept.delete(session);
      },
    },
  };
}

const named = (name: string): Piece => ({ ...newPiece('First'), name });

/** A window on the piece. */
async function openWindow(
  { ports }: ReturnType<typeof fakeServer>,
  { kept, box }: ReturnType<typeof fakeDrafts>,
  session: string,
) {
  const opened = await ports.read();
  const orphans = [...kept.values()];
  const desk = { piece: opened.document, dragging: false, said: [] as string[] };
  let shown: SaveState = { status: 'saved', message: '', revision: opened.revision, keeps: true };
  const saving = startSaving(
    opened,
    session,
    {
      document: () => desk.piece,
      isDragging: () => desk.dragging,
      take: (piece) => {
        desk.piece = piece;
      },
      say: (words) => desk.said.push(words),
      show: (state) => {
        shown = state;
      },
    },
    ports,
    box,
  );
  await saving.takeUp(orphans);
  return {
    desk,
    saving,
    status: () => shown.status,
    message: () => shown.message,
    keeps: () => shown.keeps,
    rename(name: string, own = true) {
      desk.piece = { ...desk.piece, name };
      saving.changed(own);
    },
  };
}

test('an answer that comes after its piece was closed changes nothing of what is open then', async () => {
  const [a, b, drafts] = [fakeServer(named('A')), fakeServer(named('B')), fakeDrafts()];
  let answer = () => {};
  a.server.hold = new Promise((done) => {
    answer = done;
  });
  const first = await openWindow(a, drafts, 's1');
  first.rename('A, changed');
  await pass(600);
  expect(first.status()).toBe('saving');
  first.rename('A, changed again');
  const closing = first.saving.close();
  // The editor shows another piece from now on.
  first.desk.piece = named('B');
  const second = await openWindow(b, fakeDrafts(), 's2');
  answer();
  await closing;
  expect(first.status()).toBe('saving');
  expect(second.status()).toBe('saved');
  expect(b.server.document.name).toBe('B');
  // What was done last on the first is with the server too.
  expect(a.server.document.name).toBe('A, changed again');
  expect(drafts.kept.size).toBe(0);
});

test('offline, leave and come back in the same window: the work is there, and is sent when the server is', async () => {
  const [server, drafts] = [fakeServer(named('First')), fakeDrafts()];
  const first = await openWindow(server, drafts, 's1');
  server.server.reachable = false;
  first.rename('Kept here');
  await pass(600);
  expect(first.status()).toBe('offline');
  await first.saving.close();
  server.server.reachable = true;
  const second = await openWindow(server, drafts, 's2');
  expect(second.desk.piece.name).toBe('Kept here');
  await pass(600);
  expect(server.server.document.name).toBe('Kept here');
  expect(drafts.kept.size).toBe(0);
});

test('an unanswered conflict that is left is a conflict again, and no draft is written over by an older document', async () => {
  const [server, drafts] = [fakeServer(named('First')), fakeDrafts()];
  const first = await openWindow(server, drafts, 's1');
  Object.assign(server.server, { revision: 2, savedBy: 'other', document: named('Theirs') });
  first.rename('Mine');
  await pass(600);
  expect(first.status()).toBe('conflict');
  await first.saving.close();
  for (const session of ['s2', 's3']) {
    const again = await openWindow(server, drafts, session);
    expect(again.desk.piece.name).toBe('Mine');
    expect(again.status()).toBe('conflict');
    await again.saving.close();
  }
  const last = await openWindow(server, drafts, 's4');
  await last.saving.keepBoth();
  expect(server.server.beside).toEqual(['Mine (my version)']);
  expect(last.desk.piece.name).toBe('Theirs');
  expect(drafts.kept.size).toBe(0);
});

test('of several drafts the newest is opened, the others become pieces, and one nobody can read stays', async () => {
  const [server, drafts] = [fakeServer(named('First')), fakeDrafts()];
  const draft = (session: string, document: unknown): Draft => ({
    pieceId: 'p',
    session,
    baseRevision: 1,
    document,
    at: 1,
  });
  await drafts.box.keep(draft('older', named('Older')));
  await drafts.box.keep(draft('same', named('First')));
  await drafts.box.keep(draft('unread', { ...named('Later'), schemaVersion: 999 }));
  await drafts.box.keep(draft('newest', named('Newest')));
  const desk = await openWindow(server, drafts, 's1');
  expect(desk.desk.piece.name).toBe('Newest');
  expect(server.server.beside).toEqual(['Older (kept in the browser)']);
  expect([...drafts.kept.keys()]).toEqual(['unread', 's1']);
});

test('a lost answer is no conflict, also when the work went on meanwhile', async () => {
  const [server, drafts] = [fakeServer(named('First')), fakeDrafts()];
  const desk = await openWindow(server, drafts, 's1');
  server.server.losesAnswer = true;
  desk.rename('One');
  await pass(600);
  expect(desk.status()).toBe('offline');
  desk.rename('Two');
  await pass(5000);
  expect(desk.status()).toBe('saved');
  expect([server.server.document.name, server.server.revision]).toEqual(['Two', 3]);
});

test('changes that follow one another are kept in the browser together; what is left is kept at once', async () => {
  const [server, drafts] = [fakeServer(named('First')), fakeDrafts()];
  let copies = 0;
  const keep = async (draft: Draft) => {
    copies++;
    await drafts.box.keep(draft);
  };
  const desk = await openWindow(server, { ...drafts, box: { ...drafts.box, keep } }, 's1');
  for (let i = 0; i < 20; i++) {
    desk.rename(`Name ${i}`);
    await pass(12);
  }
  expect(copies).toBe(0);
  await pass(20);
  expect(copies).toBe(1);
  expect(drafts.kept.get('s1')?.document).toMatchObject({ name: 'Name 19' });
  desk.rename('Last');
  desk.saving.keep();
  await turn();
  expect(drafts.kept.get('s1')?.document).toMatchObject({ name: 'Last' });
  // Nothing is written when all of it is there.
  desk.saving.keep();
  await turn();
  expect(copies).toBe(2);
  await pass(600);
  expect([desk.status(), drafts.kept.size]).toEqual(['saved', 0]);
});

test('a lost answer, then the window is gone: the next one goes on from its own work', async () => {
  const [server, drafts] = [fakeServer(named('First')), fakeDrafts()];
  const desk = await openWindow(server, drafts, 's1');
  server.server.losesAnswer = true;
  desk.rename('One');
  await pass(600);
  desk.rename('Two');
  await pass(300);
  const next = await openWindow(server, drafts, 's2');
  expect([next.desk.piece.name, next.status()]).toEqual(['Two', 'unsaved']);
  await pass(600);
  expect(server.server.document.name).toBe('Two');
});

test('a refusal is told from a server that is away, names the part, and the next change is tried', async () => {
  const [server, drafts] = [fakeServer(named('First')), fakeDrafts()];
  const desk = await openWindow(server, drafts, 's1');
  const faults = [{ path: 'name', message: 'must not hold half of a character' }];
  server.server.refuses = new ApiError(422, 'Refused.', { faults });
  desk.rename('Half');
  await pass(600);
  expect(desk.status()).toBe('refused');
  expect(desk.message()).toBe('The name of the piece can’t be saved: it must not hold half of a character.');
  await pass(60_000);
  expect(server.server.saves).toBe(0);
  server.server.refuses = null;
  desk.rename('Whole');
  await pass(600);
  expect(desk.status()).toBe('saved');
});

test('what failed or was refused once does not stand in the way of what comes after it', async () => {
  for (const refusal of [new ApiError(500, 'Obelus failed to do this.'), new ApiError(413, 'Too large.')]) {
    const [server, drafts] = [fakeServer(named('First')), fakeDrafts()];
    const desk = await openWindow(server, drafts, 's1');
    // First the server is away, then it answers, but not to this document.
    server.server.reachable = false;
    desk.rename('Impossible');
    await pass(600);
    server.server.reachable = true;
    server.server.refuses = refusal;
    await pass(5000);
    expect(desk.status()).not.toBe('saved');
    server.server.refuses = null;
    desk.rename('Possible');
    await pass(11_000);
    expect([desk.status(), server.server.document.name]).toEqual(['saved', 'Possible']);
    expect(server.server.revision).toBe(2);
  }
});

test('saving waits for a drag to end, but not for ever', async () => {
  const [server, drafts] = [fakeServer(named('First')), fakeDrafts()];
  const desk = await openWindow(server, drafts, 's1');
  desk.desk.dragging = true;
  desk.rename('Held');
  await pass(3000);
  expect(server.server.saves).toBe(0);
  await pass(3000);
  expect(server.server.document.name).toBe('Held');
});

test('what the application put right by itself gives way to what others saved', async () => {
  const [server, drafts] = [fakeServer(named('First')), fakeDrafts()];
  const desk = await openWindow(server, drafts, 's1');
  Object.assign(server.server, { revision: 2, savedBy: 'other', document: named('Theirs') });
  desk.rename('Put right here', false);
  await pass(600);
  expect([desk.status(), desk.desk.piece.name]).toEqual(['saved', 'Theirs']);
});

test('places in a document are said as people find them', () => {
  const piece = { ...named('P'), groups: [{ id: 'g', name: 'Waves' }] } as Piece;
  expect(placeInWords(piece, 'groups.0.placement.x')).toBe('The placement x of the group “Waves”');
  expect(placeInWords(piece, 'groups.0.name')).toBe('The name of group 1');
  expect(placeInWords(piece, 'rate.numerator')).toBe('“rate” of the piece');
  expect(placeInWords(piece, '')).toBeNull();
});

test('a store of the browser that never answers keeps nothing from the server', async () => {
  const [fake, never] = [fakeServer(named('A')), () => new Promise<void>(() => {})];
  const one = await openWindow(fake, { kept: new Map(), box: { keep: never, drop: never } }, 's1');
  let answer = () => {};
  fake.server.hold = new Promise((done) => {
    answer = done;
  });
  one.rename('B');
  await pass(600);
  // Changed while it is on its way: what comes of the answer is kept in the browser again.
  one.rename('C');
  answer();
  fake.server.hold = null;
  await pass(600);
  expect([fake.server.document.name, one.status()]).toEqual(['C', 'saved']);
  one.rename('D');
  const closing = one.saving.close();
  await pass(600);
  await closing;
  expect(fake.server.document.name).toBe('D');
});

test.each([
  ['refuses', () => Promise.reject(new Error('blocked'))],
  ['never answers', () => new Promise<void>(() => {})],
])('a store of the browser that %s is said to keep nothing, within two seconds', async (_, keep) => {
  const server = fakeServer(named('A'));
  const one = await openWindow(server, { kept: new Map(), box: { keep, drop: keep } }, 's1');
  server.server.reachable = false;
  one.rename('B');
  await pass(2600);
  expect([one.status(), one.keeps()]).toEqual(['offline', false]);
  expect(one.desk.said).toEqual([expect.stringContaining('keeps nothing')]);
  one.rename('C');
  await pass(2600);
  expect(one.desk.said).toHaveLength(1);
});

test('a piece deleted elsewhere is said at once, and comes back with what was done meanwhile', async () => {
  for (const edits of [true, false]) {
    const [server, drafts] = [fakeServer(named('A')), fakeDrafts()];
    const one = await openWindow(server, drafts, 's1');
    server.server.refuses = new ApiError(404, 'This piece is in the bin.');
    if (edits) {
      one.rename('B');
      await pass(600);
      expect(drafts.kept.get('s1')?.document).toMatchObject({ name: 'B' });
    } else await one.saving.poll();
    expect([one.status(), one.message()]).toEqual(['deleted', 'This piece is in the bin.']);
    one.rename('C');
    await pass(20_000);
    expect([one.status(), server.server.saves]).toEqual(['deleted', 0]);
    await one.saving.bringBack();
    expect([one.status(), server.server.document.name]).toEqual(['saved', 'C']);
  }
});

test('a save of a page that was left, which arrives when its piece is open again, is no conflict', async () => {
  const [server, drafts] = [fakeServer(named('First')), fakeDrafts()];
  await drafts.box.keep({ pieceId: 'p', session: 's1', baseRevision: 1, document: named('Two'), at: 1 });
  const again = await openWindow(server, drafts, 's2');
  expect(again.desk.piece.name).toBe('Two');
  Object.assign(server.server, { revision: 2, savedBy: 's1', document: named('One') });
  await pass(2000);
  expect([again.status(), server.server.document.name, server.server.revision]).toEqual(['saved', 'Two', 3]);
  // What anybody else saved meanwhile is one.
  Object.assign(server.server, { revision: 4, savedBy: 'other', document: named('Theirs') });
  again.rename('Three');
  await pass(2000);
  expect(again.status()).toBe('conflict');
});
