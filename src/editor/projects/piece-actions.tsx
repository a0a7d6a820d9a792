'use client';
import {
  BIN_DAYS,
  pieceFileAddress,
  PIECES,
  PROJECTS,
  type PieceSummary,
  type ProjectSummary,
} from '@/contract';
import { notify, type MenuEntry } from '@/ui';
import { call } from '../saving';
import { clearChosen } from './chosen';
import { download } from '../download';
import { useChange } from './use-change';

const one = (id: string) => ({ params: { id } });
const counted = (pieces: readonly PieceSummary[]): string =>
  pieces.length === 1 ? `“${pieces[0]!.name}”` : `${pieces.length} pieces`;

/** What can be done with pieces of the list, one or several at once. */
export function usePieceActions(projects: readonly ProjectSummary[]) {
  const change = useChange();
  const forEach = (pieces: readonly PieceSummary[], run: (piece: PieceSummary) => Promise<unknown>) =>
    change(async () => {
      for (const piece of pieces) await run(piece);
    });

  const duplicate = (pieces: readonly PieceSummary[]) =>
    forEach(pieces, (piece) => call(PIECES.duplicate, { ...one(piece.id), body: {} }));

  const remove = async (pieces: readonly PieceSummary[]) => {
    if (!(await forEach(pieces, (piece) => call(PIECES.remove, one(piece.id))))) return;
    clearChosen();
    const [is, it] = pieces.length === 1 ? ['is', 'it'] : ['are', 'them'];
    notify(
      `${counted(pieces)} ${is} in the bin. ${it === 'it' ? 'It is' : 'They are'} deleted after ${BIN_DAYS} days.`,
      {
        action: {
          name: 'Undo',
          run: () => void forEach(pieces, (piece) => call(PIECES.undelete, one(piece.id))),
        },
      },
    );
  };

  const send = async (pieces: readonly PieceSummary[], way: 'move' | 'copy', to: ProjectSummary | null) => {
    let name = to?.name ?? '';
    const done = await change(async () => {
      let project = to?.id;
      if (project === undefined) {
        const made = await call(PROJECTS.create, { body: { name: 'New project' } });
        [project, name] = [made.id, made.name];
      }
      for (const { id } of pieces)
        await (way === 'move'
          ? call(PIECES.move, { ...one(id), body: { project } })
          : call(PIECES.duplicate, { ...one(id), body: { project } }));
    });
    if (!done) return;
    clearChosen();
    notify(`${counted(pieces)} ${pieces.length === 1 ? 'is' : 'are'} in “${name}” now.`);
  };

  /** The projects that pieces can go to, as entries of a menu. */
  const places = (pieces: readonly PieceSummary[], way: 'move' | 'copy'): MenuEntry[] => [
    ...projects
      .filter(
        (project) => way === 'copy' || !pieces.every(({ id }) => project.pieces.some((own) => own.id === id)),
      )
      .map((project) => ({
        id: `${way} ${project.id}`,
        name: project.name,
        run: () => void send(pieces, way, project),
      })),
    { id: `${way} new`, name: 'A new project', run: () => void send(pieces, way, null) },
  ];

  /** What can be done with pieces, as entries of a menu. */
  const entries = (pieces: readonly PieceSummary[]): MenuEntry[] => [
    { id: 'duplicate', name: 'Duplicate', run: () => void duplicate(pieces) },
    { id: 'move', name: 'Move to', entries: places(pieces, 'move') },
    { id: 'copy', name: 'Copy to', entries: places(pieces, 'copy') },
    {
      id: 'save',
      name: pieces.length === 1 ? 'Save as a file' : 'Save as files',
      run: () => pieces.forEach(({ id }) => download(pieceFileAddress(id))),
    },
    { id: 'delete', name: 'Delete', keys: 'Delete', run: () => void remove(pieces) },
  ];
  return { duplicate, remove, places, entries };
}
