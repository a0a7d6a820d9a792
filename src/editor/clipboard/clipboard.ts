import { create } from 'zustand';
import {
  asWholes,
  copiedAtRate,
  copiedOf,
  lends,
  pasteBorrowed,
  pasteKeys,
  pasteLayers,
  readCopied,
  readPiece,
  windowAt,
  writeCopied,
  type Borrowed,
  type Copied,
  type Layer,
  type Piece,
} from '@/core/document';
import { writeSvg } from '@/core/formats/svg-writer';
import { evaluate } from '@/core/scene';
import { framesPerSecond } from '@/core/timing';
import { notify } from '@/ui';
import { takePasted } from '../importing';
import { changeable, deleteSelected, edit, newId, select, useEditor } from '../state';

/** What pages of Obelus understand on a clipboard. */
const TYPE = 'application/x-obelus';

/** What was copied last in this window: menus offer it, where a page may not read the clipboard. */
export const useCopied = create<{ readonly copied: Copied | null }>(() => ({ copied: null }));

const get = useEditor.getState;

/** A stroke that has no ink at a frame as it is drawn; any other layer as it is. */
function inkedOrWhole(layer: Layer, frame: number): Layer {
  if (layer.type !== 'stroke') return layer;
  const { head, tail } = windowAt(layer, frame);
  return head > tail ? layer : { ...layer, window: { head: 1, tail: 0, slide: 0 } };
}

/** What is selected as it looks at the frame shown, for other programs: strokes that are still to be written, or gone again, as drawn. */
function asSvg({ piece }: Copied): string {
  const frame = Math.round(get().frame);
  const shown = { ...piece, layers: piece.layers.map((layer) => inkedOrWhole(layer, frame)) };
  return writeSvg({
    name: piece.name,
    lists: [evaluate(shown, frame)],
    framesPerSecond: framesPerSecond(piece.rate),
    plays: 'once',
    still: 0,
    scale: 1,
  });
}

/** Copies the selected keys where there are any, else the selected layers; null where nothing is selected. */
export function copySelected(): Copied | null {
  const { piece, selection } = get();
  if (selection.keys.length === 0 && selection.layers.length === 0) return null;
  const copied = copiedOf(piece, selection.layers, selection.keys);
  useCopied.setState({ copied });
  return copied;
}

/** Puts what is selected on the clipboard of the system: for Obelus complete, layers for other programs as SVG. */
export function putOnClipboard(data: DataTransfer): boolean {
  const copied = copySelected();
  if (!copied) return false;
  data.setData(TYPE, writeCopied(copied));
  if (copied.keys === null) {
    const svg = asSvg(copied);
    data.setData('image/svg+xml', svg);
    data.setData('text/plain', svg);
  }
  return true;
}

/** Takes a changed piece where it is sound: what comes from a clipboard may be anything. */
function takeSound(change: (piece: Piece) => Piece): boolean {
  if (!readPiece(change(get().piece)).ok) {
    notify('What is on the clipboard does not fit here. Nothing was changed.');
    return false;
  }
  edit(change);
  return true;
}

/** Puts what was copied into the piece: keys at the playhead, layers beside the others, which are selected then. */
export function paste(what: Copied): void {
  const copied = copiedAtRate(what, get().piece.rate);
  const { keys } = copied;
  if (keys) {
    const ids = changeable();
    const frame = Math.round(get().frame);
    takeSound((piece) => pasteKeys(piece, keys, ids, frame));
    return;
  }
  const made = pasteLayers(get().piece, copied, newId);
  if (takeSound(() => made.piece)) select({ layers: made.ids });
}

export function pasteCopied(): void {
  const { copied } = useCopied.getState();
  if (copied) paste(copied);
}

/** Pastes what a clipboard holds: what was copied in any window of Obelus, files, SVG. */
export function takeFromClipboard(data: DataTransfer | null): void {
  const ours = data ? readCopied(data.getData(TYPE)) : null;
  if (ours) {
    useCopied.setState({ copied: ours });
    paste(ours);
  } else if (!data || !takePasted(data)) pasteCopied();
}

/** Gives what is selected the ink, timing or effects of what was copied. */
export function borrow(what: Borrowed): void {
  const { copied } = useCopied.getState();
  const { piece } = get();
  if (!copied || !lends(copied, what)) return;
  const ids = changeable();
  if (ids.length === 0) return;
  const now = copiedAtRate(copied, piece.rate);
  takeSound((p) => pasteBorrowed(p, now, what === 'effects' ? asWholes(p, ids) : ids, what));
}

/**
 * Copies or cuts as the key for it does, so that the clipboard of the system gets it too: the browser hands its clipboard out
 * only while it copies. What has the focus then, as the menu that was used, does not matter.
 */
function asByKey(command: 'copy' | 'cut'): void {
  const hear = (event: ClipboardEvent): void => {
    event.stopImmediatePropagation();
    if (event.clipboardData && putOnClipboard(event.clipboardData)) event.preventDefault();
  };
  document.addEventListener(command, hear, true);
  // Where the browser refuses, this window still remembers it.
  if (!document.execCommand(command)) copySelected();
  document.removeEventListener(command, hear, true);
  if (command === 'cut') deleteSelected();
}

export const copyNow = (): void => asByKey('copy');
export const cutNow = (): void => asByKey('cut');

/** Hears the browser's own copy, cut and paste; `means` says whether they mean the piece. Answers how to stop. */
export function listenToClipboard(means: () => boolean): () => void {
  const onCopy = (event: ClipboardEvent): void => {
    if (!means() || !event.clipboardData || !putOnClipboard(event.clipboardData)) return;
    event.preventDefault();
    if (event.type === 'cut') deleteSelected();
  };
  const onPaste = (event: ClipboardEvent): void => {
    if (!means()) return;
    event.preventDefault();
    takeFromClipboard(event.clipboardData);
  };
  window.addEventListener('copy', onCopy);
  window.addEventListener('cut', onCopy);
  window.addEventListener('paste', onPaste);
  return () => {
    window.removeEventListener('copy', onCopy);
    window.removeEventListener('cut', onCopy);
    window.removeEventListener('paste', onPaste);
  };
}
