import { create } from 'zustand';
import { readPiece, type Piece } from '@/core/document';
import { notify } from '@/ui';
import { edit, loadPiece, useEditor } from '../state';
import { call, isOutage, type ApiError } from './api';
import { dropDraft, holdSession, keepDraft, orphanedDrafts, type Draft } from './drafts';

export interface OpenPiece {
  readonly id: string;
  readonly projectId: string;
  readonly projectName: string;
  readonly revision: number;
  readonly document: Piece;
}

/**
 * saved: the server has all of it. unsaved: changed just now. saving: on its way. offline: kept in this browser until
 * the server answers again. conflict: changed elsewhere meanwhile, both kept. refused: the server will not take it.
 */
export type SaveStatus = 'saved' | 'unsaved' | 'saving' | 'offline' | 'conflict' | 'refused';

interface SaveState {
  readonly open: Omit<OpenPiece, 'document'> | null;
  readonly status: SaveStatus;
  readonly message: string;
  /** The revision the other side stands at, in a conflict. */
  readonly theirs: number;
}

export const useSaving = create<SaveState>(() => ({ open: null, status: 'saved', message: '', theirs: 0 }));

const REST_MS = 500;
const POLL_MS = 4000;
const session = typeof crypto === 'undefined' ? '' : crypto.randomUUID();

let savedDocument: Piece | null = null;
let timer: ReturnType<typeof setTimeout> | undefined;
let patience = 1000;

const set = useSaving.setState;
const state = useSaving.getState;
const documentNow = (): Piece => useEditor.getState().piece;

function draftNow(): Draft | null {
  const { open } = state();
  return open && { pieceId: open.id, session, baseRevision: open.revision, document: documentNow() };
}

function keepHere(): void {
  const draft = draftNow();
  if (draft)
    keepDraft(draft).catch(() =>
      notify('This browser refuses to keep unsaved work. Save before you close it.'),
    );
}

function later(ms: number): void {
  clearTimeout(timer);
  timer = setTimeout(() => void save(), ms);
}

/** Sends what is unsaved; quiet while a drag is under way or nothing changed. */
export async function save(): Promise<void> {
  clearTimeout(timer);
  const { open, status } = state();
  const document = documentNow();
  if (!open || status === 'saving' || status === 'conflict') return;
  if (document === savedDocument) return void set({ status: 'saved', message: '' });
  if (useEditor.getState().base) return later(REST_MS);
  set({ status: 'saving' });
  try {
    const body = { baseRevision: open.revision, session, document };
    const { revision } = await call<{ revision: number }>('PUT', `/api/pieces/${open.id}`, body);
    savedDocument = document;
    patience = 1000;
    set({ open: { ...open, revision }, status: 'saved', message: '' });
    if (documentNow() === document) await dropDraft({ pieceId: open.id, session }).catch(() => {});
    else changed();
  } catch (error) {
    const { status: code, message, details } = error as ApiError;
    if (code === 409) return set({ status: 'conflict', message, theirs: Number(details.revision) });
    if (!isOutage(error)) return set({ status: 'refused', message });
    set({ status: 'offline', message });
    later(patience);
    patience = Math.min(10_000, patience * 1.7);
  }
}

/** Called after every change of the document. */
function changed(): void {
  const { status } = state();
  if (useEditor.getState().base || (status === 'saved' && documentNow() === savedDocument)) return;
  keepHere();
  if (status === 'conflict') return;
  if (status === 'saved' || status === 'refused') set({ status: 'unsaved', message: '' });
  if (status !== 'offline' && status !== 'saving') later(REST_MS);
}

/** Takes in what another window or person saved, as a step that can be undone. */
async function takeTheirs(say: boolean): Promise<void> {
  const { open } = state();
  if (!open) return;
  const before = documentNow();
  const theirs = await call<OpenPiece>('GET', `/api/pieces/${open.id}`);
  // Edited while theirs was on its way: the next save finds the conflict and asks.
  if (documentNow() !== before) return;
  savedDocument = theirs.document;
  set({ open: { ...open, revision: theirs.revision }, status: 'saved', message: '' });
  edit(() => theirs.document);
  await dropDraft({ pieceId: open.id, session }).catch(() => {});
  if (say)
    notify(
      `This piece was changed in another window. You now see revision ${theirs.revision}; undo brings back what you had.`,
    );
}

async function poll(): Promise<void> {
  const { open, status } = state();
  if (!open || document.hidden) return;
  if (status === 'offline') return void save();
  if (status !== 'saved' || useEditor.getState().base) return;
  const { revision } = await call<{ revision: number }>('GET', `/api/pieces/${open.id}/revision`);
  if (state().status === 'saved' && state().open?.revision === open.revision && revision > open.revision) {
    await takeTheirs(true);
  }
}

/** Ways out of a conflict. Each keeps both sides somewhere. */
export const resolveConflict = {
  /** Mine becomes a piece of its own beside theirs. */
  async keepBoth(): Promise<void> {
    const { open } = state();
    if (!open) return;
    const mine = documentNow();
    const name = `${mine.name.slice(0, 100)} (my version)`;
    await call('POST', `/api/projects/${open.projectId}/pieces`, { document: { ...mine, name } });
    await takeTheirs(false);
    notify(`Your version is kept in the project as "${name}".`);
  },
  /** Theirs is shown; mine is one undo away. */
  takeTheirs: (): Promise<void> => takeTheirs(true),
  /** Mine becomes the newest revision; theirs stays in the history. */
  async putMineOver(): Promise<void> {
    const { open, theirs } = state();
    if (!open) return;
    set({ open: { ...open, revision: theirs }, status: 'unsaved', message: '' });
    await save();
  },
};

/** Makes an older revision the newest and shows it. */
export async function restoreRevision(revision: number): Promise<void> {
  const { open } = state();
  if (!open) return;
  await call('POST', `/api/pieces/${open.id}/revisions/${revision}/restore`);
  await takeTheirs(false);
  notify(`Revision ${revision} is the newest again. Undo brings back what you had.`);
}

/**
 * Opens a piece, with work that an earlier window could not send; resolves to a function that closes it.
 * @param wanted asked before anything changes: whoever opened it may have gone on meanwhile.
 */
export async function openForEditing(id: string, wanted: () => boolean): Promise<() => void> {
  const opened = await call<OpenPiece>('GET', `/api/pieces/${id}`);
  holdSession(session);
  const drafts = await orphanedDrafts(id).catch(() => []);
  if (!wanted()) return () => {};
  const { document: piece, ...open } = opened;
  loadPiece(piece);
  savedDocument = piece;
  set({ open, status: 'saved', message: '', theirs: 0 });
  for (const draft of drafts) {
    const kept = readPiece(draft.document);
    if (kept.ok && JSON.stringify(kept.piece) !== JSON.stringify(piece)) {
      edit(() => kept.piece);
      if (draft.baseRevision < opened.revision) {
        const message = 'Work kept in this browser is older than what was saved since. Both are kept.';
        set({ status: 'conflict', theirs: opened.revision, message });
      } else notify('Work that had not reached the server was kept in this browser. It is back.');
    }
    keepHere();
    await dropDraft(draft).catch(() => {});
  }
  const unsubscribe = useEditor.subscribe((now, before) => {
    if (now.piece !== before.piece || (before.base && !now.base)) changed();
  });
  if (documentNow() !== savedDocument && state().status !== 'conflict') changed();
  const polling = setInterval(() => void poll().catch(() => {}), POLL_MS);
  const online = () => void save();
  const leaving = (event: BeforeUnloadEvent) => {
    if (documentNow() === savedDocument) return;
    keepHere();
    void save();
    if (state().status === 'refused') event.preventDefault();
  };
  window.addEventListener('online', online);
  window.addEventListener('beforeunload', leaving);
  return () => {
    void save();
    unsubscribe();
    clearInterval(polling);
    clearTimeout(timer);
    window.removeEventListener('online', online);
    window.removeEventListener('beforeunload', leaving);
  };
}
