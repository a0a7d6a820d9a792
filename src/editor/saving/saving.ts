// Longer than most files: one state with many ways into it. Every answer must see what the others have changed meanwhile.
import type { OpenPiece } from '@/contract';
import { cutName, hashOf, readPiece, sameValue, type Piece } from '@/core/document';
import { isOutage, type ApiError } from './api';
import type { Draft, Drafts } from './drafts';
import { placeInWords } from './place-in-words';

/**
 * saved: the server has all of it. unsaved: changed just now. saving: on its way. offline: kept in this browser until
 * the server answers again. conflict: changed elsewhere meanwhile, both kept. refused: the server will not take it. deleted: the piece
 * is in the bin, or gone.
 */
export type SaveStatus = 'saved' | 'unsaved' | 'saving' | 'offline' | 'conflict' | 'refused' | 'deleted';

/** What is shown of the saving of the open piece. */
export interface SaveState {
  readonly status: SaveStatus;
  readonly message: string;
  /** The revision its work is based on. */
  readonly revision: number;
  /** Whether this browser keeps what is not saved yet; known to be so until it refuses. */
  readonly keeps: boolean;
}

/** What saving needs of the editor. It asks nothing of it after its piece was closed. */
interface SavingEditor {
  document(): Piece;
  isDragging(): boolean;
  /** Shows another document, as a step that can be undone. */
  take(document: Piece): unknown;
  say(words: string): unknown;
  show(state: SaveState): unknown;
}

/** What saving needs of the server, for the one piece. */
export interface SavingServer {
  read(): Promise<OpenPiece>;
  revision(): Promise<number>;
  /**
   * @param save `before` is the document of the base revision: what it shares with the new one need not be sent. Null where this page
   *   has not seen it: then all is sent.
   * @returns the revision it made, and the hash of what the server has there.
   */
  save(save: {
    baseRevision: number;
    session: string;
    before: Piece | null;
    document: Piece;
  }): Promise<{ revision: number; hash: string }>;
  /** Makes a revision of the history the newest. */
  restore(revision: number): Promise<void>;
  /** Takes the piece out of the bin. */
  bringBack(): Promise<void>;
  /** Puts a document beside the piece, as a piece of its own. */
  putBeside(document: Piece): Promise<void>;
}

const REST_MS = 500;
/** Changes made within this are kept in the browser together: copying a large document takes longer than making a change. */
const DRAFT_MS = 250;
/** A store of this browser that has not answered for so long counts as one that refuses, ms. */
const STORE_MS = 2000;
/** A drag puts saving off; so long after the first change it waits no more. */
const LONGEST_MS = 5000;
const PATIENCE = { first: 1000, most: 10_000, factor: 1.7 } as const;

/** The saving of one opened piece. Nothing of it outlives `close()` but what is still on its way to the server. */
export interface Saving {
  /** Tells that the document changed, or that a drag ended. `own` is false where nobody's hand made the change. */
  changed(own: boolean): void;
  /** Sends what is unsaved now; resolves when it is answered. */
  save(): Promise<void>;
  /** Keeps what is unsaved in the browser now: the page may be gone in a moment. */
  keep(): void;
  /** Looks for what others saved. */
  poll(): Promise<void>;
  /** Takes up drafts that earlier sessions left, the newest as the document, others as pieces beside it. */
  takeUp(drafts: readonly Draft[]): Promise<void>;
  /** Whether all that was done is with the server. */
  isSaved(): boolean;
  /** Ends it: what is unsaved is sent once more, and stays kept in the browser where that fails. */
  close(): Promise<void>;
  /** Ways out of a conflict; each keeps both sides somewhere. */
  keepBoth(): Promise<void>;
  takeTheirs(): Promise<void>;
  putMineOver(): Promise<void>;
  restore(revision: number): Promise<void>;
  /** The way out where the piece was deleted elsewhere: it comes back, and what was done here since is saved. */
  bringBack(): Promise<void>;
}

/** Whether something was done, within so many milliseconds. */
const withinTime = (done: Promise<unknown>, ms: number): Promise<boolean> =>
  new Promise((resolve) => {
    const limit = setTimeout(() => resolve(false), ms);
    const settle = (good: boolean) => () => {
      clearTimeout(limit);
      resolve(good);
    };
    done.then(settle(true), settle(false));
  });

/**
 * Begins to save a piece. Every answer belongs to this value alone: one that comes after the piece was closed changes
 * nothing of what is open then.
 */
export function startSaving(
  opened: OpenPiece,
  session: string,
  editor: SavingEditor,
  server: SavingServer,
  drafts: Drafts,
): Saving {
  /**
   * What the work is based on: a revision, and the document the server has there. Null where that revision is others' and was never
   * shown here: nothing can be said of what changed since, so all is sent.
   */
  let base: { readonly revision: number; readonly document: Piece | null } = opened;
  let state: SaveState = { status: 'saved', message: '', revision: opened.revision, keeps: true };
  /** What was sent without an answer: it may have arrived, so it is sent again before anything newer. */
  let unanswered: Piece | null = null;
  /** The document as it was when the piece was closed. */
  let left: Piece | null = null;
  /** Whether a hand made anything that is unsaved: what the application put right by itself gives way to others. */
  let own = false;
  let changedSince: number | null = null;
  let timer: ReturnType<typeof setTimeout> | undefined;
  let keeping: ReturnType<typeof setTimeout> | undefined;
  let patience: number = PATIENCE.first;
  /** Sessions whose work this one goes on with. */
  const ours = new Set([session]);
  /** Whether it was said that this browser keeps nothing. */
  let toldOfStore = false;
  let running: Promise<void> | null = null;
  let theirs = opened.revision;

  const now = (): Piece => left ?? editor.document();
  const show = (part: Partial<Omit<SaveState, 'revision'>>): void => {
    state = { ...state, ...part, revision: base.revision };
    if (!left) editor.show(state);
  };
  const say = (words: string): void => {
    if (!left) editor.say(words);
  };

  // A store of the browser may take its time, or never answer: what goes to the server waits for none of it.
  async function keepDraft(): Promise<void> {
    clearTimeout(keeping);
    keeping = undefined;
    const { revision } = base;
    const draft = { pieceId: opened.id, session, baseRevision: revision, document: now(), at: Date.now() };
    const keeps = await withinTime(drafts.keep(draft), STORE_MS);
    if (keeps !== state.keeps) show({ keeps });
    if (!keeps && !toldOfStore) {
      toldOfStore = true;
      say('This browser keeps nothing for Obelus: work is safe only once “Saved” stands above.');
    }
  }
  const keepSoon = (): void => {
    keeping ??= setTimeout(() => void keepDraft(), DRAFT_MS);
  };
  function dropDraft(): Promise<void> {
    clearTimeout(keeping);
    keeping = undefined;
    return drafts.drop({ pieceId: opened.id, session }).catch(() => {});
  }

  function later(ms: number): void {
    clearTimeout(timer);
    if (!left) timer = setTimeout(() => void save(), ms);
  }

  /** Sends one document and takes in the answer. Resolves to whether it may be followed by another at once. */
  async function send(document: Piece): Promise<boolean> {
    show({ status: 'saving' });
    try {
      const { revision, hash } = await server.save({
        baseRevision: base.revision,
        session,
        before: base.document,
        document,
      });
      // What the server has otherwise than it was sent is not what this page shows: it is read before it is called saved.
      base = { revision, document: hash === hashOf(document) ? document : null };
      unanswered = null;
      patience = PATIENCE.first;
      if (now() === document && base.document === document) {
        own = false;
        changedSince = null;
        show({ status: 'saved', message: '' });
        void dropDraft();
        return false;
      }
      show({ status: 'unsaved', message: '' });
      if (now() === document) {
        await showTheirs('');
        return false;
      }
      void keepDraft();
      return true;
    } catch (error) {
      const { status: code, message, details } = error as ApiError;
      if (code === 409) {
        theirs = Number(details.revision);
        unanswered = null;
        if (await isThere(document)) return now() !== base.document;
        if (!own && !left) {
          await showTheirs('');
          return false;
        }
        show({ status: 'conflict', message });
      } else if (code === 404) {
        unanswered = null;
        show({ status: 'deleted', message });
        void keepDraft();
      } else if (isOutage(error)) {
        // A server that can't be reached, or whose database went away, may still have taken it; one that failed has not.
        unanswered = code === 500 ? null : document;
        show({ status: 'offline', message });
        later(patience);
        patience = Math.min(PATIENCE.most, patience * PATIENCE.factor);
      } else {
        unanswered = null;
        const [first] = (details?.faults ?? []) as { path: string; message: string }[];
        const where = first && placeInWords(document, first.path);
        show({
          status: 'refused',
          message: where ? `${where} can’t be saved: it ${first.message}.` : message,
        });
      }
      return false;
    }
  }

  /** Whether the server stands at this very document, or at one that this work went on from: then there is no conflict. */
  async function isThere(document: Piece): Promise<boolean> {
    const there = await server.read().catch(() => null);
    if (there && there.revision === base.revision + 1 && ours.has(there.savedBy)) {
      // What was sent by the page whose draft this one took up, and arrived late: the draft came after it.
      base = there;
      show({ status: 'unsaved', message: '' });
      return true;
    }
    if (!there || !sameValue(there.document, document)) return false;
    base = { revision: there.revision, document };
    own = now() !== document;
    show({ status: now() === document ? 'saved' : 'unsaved', message: '' });
    if (now() === document) void dropDraft();
    return true;
  }

  function save(): Promise<void> {
    clearTimeout(timer);
    if (running) return running;
    if (state.status === 'conflict' || state.status === 'deleted') return Promise.resolve();
    if (!unanswered && now() === base.document) {
      show({ status: 'saved', message: '' });
      return Promise.resolve();
    }
    if (!left && editor.isDragging() && Date.now() - (changedSince ?? Date.now()) < LONGEST_MS) {
      later(REST_MS);
      return Promise.resolve();
    }
    running = send(unanswered ?? now()).then((more) => {
      running = null;
      if (more && left) return save();
      if (more) later(REST_MS);
      return undefined;
    });
    return running;
  }

  /** Shows what the server has; what was here is one undo away. */
  async function showTheirs(words: string): Promise<void> {
    const before = now();
    const there = await server.read();
    // Edited or left while it was on its way: the next save finds the conflict and asks.
    if (left || now() !== before) return;
    base = there;
    unanswered = null;
    own = false;
    changedSince = null;
    show({ status: 'saved', message: '' });
    editor.take(there.document);
    void dropDraft();
    if (words) say(words.replace('#', String(there.revision)));
  }

  return {
    save,
    isSaved: () => !unanswered && now() === base.document,
    keep() {
      if (keeping !== undefined) void keepDraft();
    },
    changed(byHand) {
      if (left || (state.status === 'saved' && now() === base.document)) return;
      own ||= byHand;
      changedSince ??= Date.now();
      // While something is dragged every move would be written down; its end tells again.
      if (!editor.isDragging()) keepSoon();
      if (state.status === 'conflict' || state.status === 'deleted') return;
      if (state.status === 'saved' || state.status === 'refused') show({ status: 'unsaved', message: '' });
      if (state.status === 'unsaved') later(REST_MS);
    },
    async poll() {
      if (left || running) return;
      if (state.status === 'offline') return save();
      if (state.status !== 'saved' || editor.isDragging()) return;
      const before = base.revision;
      const revision = await server.revision().catch((error: unknown) => {
        if ((error as ApiError).status !== 404) throw error;
        if (!left && state.status === 'saved')
          show({ status: 'deleted', message: (error as ApiError).message });
        return before;
      });
      if (left || state.status !== 'saved' || base.revision !== before || revision <= before) return;
      await showTheirs(
        'This piece was changed in another window. You now see revision #; undo brings back what you had.',
      );
    },
    async takeUp(found) {
      const readable = found.flatMap((draft) => {
        const read = readPiece(draft.document);
        return read.ok ? [{ draft, piece: read.piece }] : [];
      });
      if (readable.length < found.length)
        say('Work kept in this browser was made by another version of Obelus and stays kept, unread.');
      const unsaved: typeof readable = [];
      for (const one of readable) {
        if (sameValue(one.piece, base.document)) await drafts.drop(one.draft).catch(() => {});
        else unsaved.push(one);
      }
      const newest = unsaved.pop();
      for (const { draft, piece } of unsaved) {
        const name = `${cutName(piece.name, 80)} (kept in the browser)`;
        try {
          await server.putBeside({ ...piece, name });
          await drafts.drop(draft).catch(() => {});
          say(`Older work kept in this browser is now a piece beside this one: “${name}”.`);
        } catch {
          // It stays kept and is offered again when the piece is opened next.
        }
      }
      if (!newest || left) return;
      const { draft, piece } = newest;
      ours.add(draft.session);
      editor.take(piece);
      own = true;
      changedSince = Date.now();
      // What lies between is that session's own save whose answer it never heard.
      const isOwn = opened.savedBy === draft.session && opened.revision === draft.baseRevision + 1;
      if (draft.baseRevision < opened.revision && !isOwn) {
        theirs = opened.revision;
        // Kept as based on what it was: opened once more, it is a conflict still.
        base = { revision: draft.baseRevision, document: null };
        show({
          status: 'conflict',
          message: 'Work kept in this browser is older than what was saved since. Both are kept.',
        });
      } else {
        show({ status: 'unsaved', message: '' });
        say('Work that had not reached the server was kept in this browser. It is back.');
        later(REST_MS);
      }
      await keepDraft();
      await drafts.drop(draft).catch(() => {});
    },
    async close() {
      left = editor.document();
      clearTimeout(timer);
      if (left !== base.document) void keepDraft();
      if (running) await running;
      if (state.status !== 'refused' && state.status !== 'deleted') await save();
    },
    async keepBoth() {
      const mine = now();
      const name = `${cutName(mine.name, 100)} (my version)`;
      await server.putBeside({ ...mine, name });
      await showTheirs('');
      say(`Your version is kept in the project as "${name}".`);
    },
    takeTheirs: () =>
      showTheirs('You now see revision #, as it was saved elsewhere; undo brings back what you had.'),
    async putMineOver() {
      // What stands there was never shown here: it is written over as a whole, and stays in the history.
      base = { revision: theirs, document: null };
      show({ status: 'unsaved', message: '' });
      await save();
    },
    async bringBack() {
      await server.bringBack();
      show({ status: 'unsaved', message: '' });
      await save();
    },
    async restore(revision) {
      await save();
      if (now() !== base.document)
        throw new Error(
          'What you did last is not saved yet. Restore the revision when “Saved” stands above.',
        );
      await server.restore(revision);
      await showTheirs(`Revision ${revision} is the newest again. Undo brings back what you had.`);
    },
  };
}
