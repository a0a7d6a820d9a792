// The saving of pages against the routes and the database they save to, under every order of answers: nobody else stands between.
import { hashOf, type Piece } from '@/core/document';
import { seeded } from '@/core/testing/families';
import { ApiError, call } from '@/editor/saving/api';
import type { Draft } from '@/editor/saving/drafts';
import { startSaving, type SaveState, type Saving, type SavingServer } from '@/editor/saving/saving';
import { sendChanges } from '@/editor/saving/send-changes';
import { PIECES, type OpenPiece } from '@/contract';
import { closeConnection, models } from '@/server/database';
import { freshPiece, openOwnDatabase, smallPiece } from '@/server/testing';
import * as pieceRoute from './api/pieces/[id]/route';
import * as revisionNowRoute from './api/pieces/[id]/revision/route';
import * as piecesRoute from './api/projects/[id]/pieces/route';
import { cases } from '@/core/testing/cases';

// Pages wait by timers; the database does not.
jest.useFakeTimers({
  doNotFake: [
    'Date',
    'nextTick',
    'setImmediate',
    'clearImmediate',
    'setInterval',
    'clearInterval',
    'queueMicrotask',
    'performance',
    'hrtime',
  ],
});
beforeAll(openOwnDatabase);
afterAll(async () => {
  jest.useRealTimers();
  await closeConnection();
});

/** What the way to the server does to the next request. */
type Way = 'good' | 'request lost' | 'answer lost' | 'doubled' | 'late';
const WAYS: readonly Way[] = [
  'good',
  'good',
  'good',
  'request lost',
  'answer lost',
  'doubled',
  'late',
  'late',
];

/** Answers requests of pages by the routes, in whatever way is chosen for each. */
function network(choose: () => Way) {
  let open = 0;
  const late: (() => void)[] = [];
  const respond = async (path: string, init: RequestInit): Promise<Response> => {
    const [, , kind, id, rest] = path.split('/') as [string, string, string, string, string?];
    const request = new Request(`http://127.0.0.1:4610${path}`, {
      ...init,
      headers: { ...(init.headers as Record<string, string>), host: '127.0.0.1:4610' },
    });
    const method = init.method as 'GET' | 'PUT' | 'PATCH' | 'POST';
    const handler =
      kind === 'projects'
        ? piecesRoute.POST
        : rest === 'revision'
          ? revisionNowRoute.GET
          : pieceRoute[method as 'GET' | 'PUT' | 'PATCH'];
    return handler(request, { params: Promise.resolve({ id }) });
  };
  global.fetch = (async (path: string, init: RequestInit) => {
    const way = init.method === 'GET' ? 'good' : choose();
    if (way === 'request lost') throw new TypeError('away');
    open++;
    try {
      const answer = await respond(path, init);
      if (way === 'doubled') return await respond(path, init);
      if (way === 'answer lost') throw new TypeError('away');
      if (way === 'late') {
        open--;
        await new Promise<void>((go) => late.push(go));
        open++;
      }
      return answer;
    } finally {
      open--;
    }
  }) as typeof fetch;
  const idle = async (): Promise<void> => {
    for (let calm = 0; calm < 6; calm = open === 0 ? calm + 1 : 0)
      await new Promise((done) => setImmediate(done));
  };
  return { late, idle };
}

/** Changes that say in different ways what patches may mistake: lists that are put into, taken from and turned round. */
function edited(piece: Piece, random: () => number, name: string): Piece {
  const at = Math.floor(random() * piece.length);
  const layers = [...piece.layers];
  const i = Math.floor(random() * layers.length);
  switch (Math.floor(random() * 6)) {
    case 0: {
      const others = piece.markers.filter(({ frame }) => frame !== at);
      return { ...piece, markers: [...others, { frame: at, name }].sort((a, b) => a.frame - b.frame) };
    }
    case 1:
      return { ...piece, markers: piece.markers.slice(1) };
    case 2:
      return { ...piece, name };
    case 3:
      return { ...piece, layers: layers.reverse() };
    case 4:
      if (layers.length > 1) layers.splice(i, 1);
      else layers.unshift({ ...layers[0]!, id: `${name}`.replace(/\W/g, '-') });
      return { ...piece, layers };
    default:
      layers[i] = { ...layers[i]!, name };
      return { ...piece, layers };
  }
}

/** A page that has the piece open. */
interface Page {
  piece: Piece;
  state: SaveState;
  saving: Saving;
}

const plain = (value: object): object => JSON.parse(JSON.stringify(value)) as object;

test('what a page calls saved is what the server has; no document was saved that no page showed', async () => {
  for (const seed of cases(4, 200)) {
    const random = seeded(seed);
    const pick = <T>(all: readonly T[]): T => all[Math.floor(random() * all.length)]!;
    let troubled = true;
    const { late, idle } = network(() => (troubled ? pick(WAYS) : 'good'));
    const { id, project } = await freshPiece({ ...smallPiece('First'), markers: [] });
    const shown = new Set<string>();
    const drafts = new Map<string, Draft>();
    const box = {
      keep: async (draft: Draft) => void drafts.set(draft.session, plain(draft) as Draft),
      drop: async ({ session }: { session: string }) => void drafts.delete(session),
    };
    const server: SavingServer = {
      read: () => call(PIECES.open, { params: { id } }),
      revision: async () => (await call(PIECES.revision, { params: { id } })).revision,
      save: (body) => sendChanges(id, body),
      restore: async () => {},
      bringBack: async () => {},
      putBeside: async (document) =>
        void (await call(PIECES.create, { params: { id: project }, body: { document } })),
    };
    let sessions = 0;
    const open = async (): Promise<Page> => {
      const opened: OpenPiece = await server.read();
      const session = `s${seed}-${++sessions}`;
      const page = { piece: opened.document } as Page;
      page.saving = startSaving(
        opened,
        session,
        {
          document: () => page.piece,
          isDragging: () => false,
          take: (piece) => (page.piece = piece),
          say: () => {},
          show: (state) => (page.state = state),
        },
        server,
        box,
      );
      page.state = { status: 'saved', message: '', revision: opened.revision, keeps: true };
      return page;
    };
    const pages = [await open(), await open(), ...(seed % 2 ? [await open()] : [])];

    const check = async (step: string): Promise<void> => {
      for (const page of pages) shown.add(hashOf(page.piece));
      for (const page of pages) {
        if (page.state.status !== 'saved') continue;
        const row = await models().revisions.findOne({
          where: { pieceId: id, revision: page.state.revision },
        });
        const there = row?.document ?? null;
        // Quick saves of one session are thinned out of the history: then the piece itself stands there.
        const now = (await models().pieces.findByPk(id))!;
        const document = there ?? (now.revision === page.state.revision ? now.document : null);
        if (document) expect([step, plain(document)]).toEqual([step, plain(page.piece)]);
      }
    };
    for (let at = 0; at < 40; at++) {
      const page = pick(pages);
      const action = Math.floor(random() * 10);
      let step = `seed ${seed}, step ${at}, action ${action}, ${page.state.status}`;
      if (page.state.status === 'conflict' && action > 3) {
        const way = pick(['keepBoth', 'takeTheirs', 'putMineOver'] as const);
        step += `, ${way}`;
        void page.saving[way]().catch((error: unknown) => {
          if (!(error instanceof ApiError)) throw error;
        });
      } else if (action < 5) {
        page.piece = edited(page.piece, random, `${seed}.${at}`);
        shown.add(hashOf(page.piece));
        page.saving.changed(true);
      } else if (action < 7) void page.saving.save();
      else if (action === 7) void page.saving.poll().catch(() => {});
      else if (action === 8) late.splice(0).forEach((go) => go());
      else await jest.advanceTimersByTimeAsync(1200);
      await idle();
      await check(step);
    }
    // At the end everything arrives; the last to replace the others has what it shows there.
    troubled = false;
    for (let round = 0; round < 12; round++) {
      late.splice(0).forEach((go) => go());
      await jest.advanceTimersByTimeAsync(12_000);
      await idle();
      for (const page of pages) if (page.state.status === 'conflict') void page.saving.putMineOver();
      await idle();
      for (const page of pages) void page.saving.poll().catch(() => {});
      await idle();
    }
    await check(`seed ${seed}, at the end`);
    const end = (await models().pieces.findByPk(id))!;
    for (const page of pages) {
      expect([seed, page.state.status, page.state.revision]).toEqual([seed, 'saved', end.revision]);
      expect(plain(page.piece)).toEqual(plain(end.document));
    }
    // Every document of the history was on a page when it was saved: none was put together by the server.
    for (const { document, revision } of await models().revisions.findAll({ where: { pieceId: id } }))
      expect([seed, revision, revision === 1 || shown.has(hashOf(document))]).toEqual([seed, revision, true]);
  }
});

test('two windows, each with a marker of its own: replaced is replaced, and saves go on', async () => {
  const { idle } = network(() => 'good');
  for (const [theirs, mine] of [
    [20, 10],
    [10, 20],
  ] as const) {
    const { id } = await freshPiece({ ...smallPiece('First', 40), markers: [] });
    const base = await call(PIECES.open, { params: { id } });
    const marked = (frame: number): Piece => ({ ...base.document, markers: [{ frame, name: 'M' }] });
    const how = { baseRevision: 1, before: base.document };
    const other = await sendChanges(id, { ...how, session: 'other', document: marked(theirs) });
    await expect(sendChanges(id, { ...how, session: 'mine', document: marked(mine) })).rejects.toMatchObject({
      status: 409,
    });
    // As a page that never saw revision 2 would, had it named that as what its patch was made against.
    const over = { baseRevision: other.revision, session: 'mine', before: base.document };
    const saved = await sendChanges(id, { ...over, document: marked(mine) });
    expect(saved).toEqual({ revision: 3, hash: hashOf(marked(mine)) });
    expect((await models().pieces.findByPk(id))!.document.markers).toEqual([{ frame: mine, name: 'M' }]);
    await idle();
  }
});
