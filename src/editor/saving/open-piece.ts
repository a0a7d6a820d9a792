import { create } from 'zustand';
import { PIECES, type OpenPiece } from '@/contract';
import { cancelPointer, notify } from '@/ui';
import { leavePage, pageSignal } from '../jobs';
import { editWhole, loadPiece, useEditor } from '../state';
import { call } from './api';
import { DRAFTS, holdSession, orphanedDrafts } from './drafts';
import { sendChanges } from './send-changes';
import { keepHistory, keptHistory } from './undo-history';
import { startSaving, type SaveState, type Saving, type SavingServer } from './saving';

/** The piece that is open and how its saving stands. */
interface Open extends SaveState {
  readonly open: Pick<OpenPiece, 'id' | 'projectId' | 'projectName' | 'revision'> | null;
  readonly saving: Saving | null;
}

const NOTHING_OPEN: Open = {
  open: null,
  saving: null,
  status: 'saved',
  message: '',
  revision: 0,
  keeps: true,
};

export const useSaving = create<Open>(() => NOTHING_OPEN);

const POLL_MS = 4000;
const KEEP_MS = 600;
/** So long a piece that is opened again waits for what its last page still sends. */
const FINISH_MS = 3000;

/** Pieces whose page was left and whose last work is on its way. */
const finishing = new Map<string, Promise<void>>();

/** Sessions of this window that are over: their drafts are anybody's. */
const ended = new Set<string>();

/** Sends what is unsaved of the open piece. */
export const save = (): Promise<void> => useSaving.getState().saving?.save() ?? Promise.resolve();

const one = (id: string) => ({ params: { id } });

const serverOf = ({ id, projectId }: Pick<OpenPiece, 'id' | 'projectId'>): SavingServer => ({
  read: () => call(PIECES.open, one(id)),
  revision: async () => (await call(PIECES.revision, one(id))).revision,
  save: (body) => sendChanges(id, body),
  restore: async (revision) => void (await call(PIECES.restore, { params: { id, revision } })),
  bringBack: async () => void (await call(PIECES.undelete, one(id))),
  putBeside: async (document) => void (await call(PIECES.create, { ...one(projectId), body: { document } })),
});

/** So long a page waits for a store of this browser, ms; what it keeps is offered when the piece is opened next. */
const STORE_MS = 4000;

/** What a store answers, or something else where it has nothing, is blocked or does not answer. */
const soon = <T>(asked: Promise<T>, instead: T): Promise<T> =>
  Promise.race([
    asked.catch(() => instead),
    new Promise<T>((done) => setTimeout(() => done(instead), STORE_MS)),
  ]);

/** Brings back the steps of undo and redo that lead up to a piece as it was opened, where nothing else came on top. */
async function takeHistory({ id, revision, document: piece }: OpenPiece): Promise<void> {
  const kept = await soon(keptHistory(id, revision), null);
  const now = useEditor.getState();
  const before = kept?.past.at(-1)?.piece ?? kept?.future[0]?.piece;
  if (!kept || now.piece !== piece || before?.schemaVersion !== piece.schemaVersion) return;
  useEditor.setState({ past: kept.past, future: kept.future });
}

/**
 * Opens a piece, with work that an earlier page could not send; resolves to a function that closes it.
 * @param wanted asked before anything changes: whoever opened it may have gone on meanwhile.
 */
export async function openForEditing(id: string, wanted: () => boolean): Promise<() => void> {
  const last = finishing.get(id);
  if (last) await Promise.race([last, new Promise((done) => setTimeout(done, FINISH_MS))]);
  const opened = await call(PIECES.open, one(id));
  // Storage may be blocked: then there is nothing kept, and saving says so when it would keep something.
  const drafts = await soon(orphanedDrafts(id, ended), []);
  if (!wanted()) return () => {};
  const session = crypto.randomUUID();
  const release = holdSession(session);
  const { document: piece, projectId, projectName } = opened;
  const open = { id, projectId, projectName };
  cancelPointer();
  leavePage();
  loadPiece(piece);
  const page = pageSignal();
  /** The piece of this page; what another page puts into the editor later is not. */
  let mine = piece;
  const saving = startSaving(
    opened,
    session,
    {
      document: () => mine,
      isDragging: () => !page.aborted && useEditor.getState().base !== null,
      take: (document) => !page.aborted && editWhole(() => document),
      say: (words) => !page.aborted && notify(words),
      show: (state) =>
        !page.aborted && useSaving.setState({ ...state, open: { ...open, revision: state.revision } }),
    },
    serverOf(opened),
    DRAFTS,
  );
  useSaving.setState({
    ...NOTHING_OPEN,
    open: { ...open, revision: opened.revision },
    saving,
    revision: opened.revision,
  });
  const unsubscribe = useEditor.subscribe((now, before) => {
    if (page.aborted || (now.piece === before.piece && !(before.base && !now.base))) return;
    mine = now.piece;
    saving.changed(now.amends === before.amends);
  });
  await saving.takeUp(drafts);
  await takeHistory(opened);
  const polling = setInterval(() => {
    if (!document.hidden) void saving.poll().catch(() => {});
  }, POLL_MS);
  /** Steps are kept when all they lead up to is with the server; so long after that, ms, as keeping copies them. */
  let keeping: ReturnType<typeof setTimeout> | undefined;
  const keep = () => {
    if (page.aborted || !saving.isSaved()) return;
    void keepHistory(id, useSaving.getState().revision, useEditor.getState()).catch(() => {});
  };
  const unhear = useSaving.subscribe((now, before) => {
    if (
      page.aborted ||
      now.status !== 'saved' ||
      (before.status === 'saved' && now.revision === before.revision)
    )
      return;
    clearTimeout(keeping);
    keeping = setTimeout(keep, KEEP_MS);
  });
  const online = () => void save();
  const leaving = (event: BeforeUnloadEvent) => {
    if (saving.isSaved()) return;
    saving.keep();
    void save();
    const { status, keeps } = useSaving.getState();
    // Nothing has it but this page.
    if (status === 'refused' || !keeps) event.preventDefault();
  };
  window.addEventListener('online', online);
  window.addEventListener('beforeunload', leaving);
  window.addEventListener('pagehide', keep);
  return () => {
    keep();
    clearTimeout(keeping);
    unhear();
    window.removeEventListener('pagehide', keep);
    cancelPointer();
    if (pageSignal() === page) leavePage();
    unsubscribe();
    clearInterval(polling);
    window.removeEventListener('online', online);
    window.removeEventListener('beforeunload', leaving);
    const end = saving.close().catch(() => {});
    if (useSaving.getState().saving === saving) useSaving.setState(NOTHING_OPEN);
    // Its draft may be taken up from now on: what is still on its way is found to be the same.
    ended.add(session);
    release();
    const done = end.then(() => {
      if (finishing.get(id) === done) finishing.delete(id);
    });
    finishing.set(id, done);
  };
}
