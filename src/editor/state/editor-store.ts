// Longer than most files: one state, and the few functions that may change it.
import { create } from 'zustand';
import {
  guarded,
  settlePiece,
  strokesOf,
  type Guarded,
  type Held,
  type KeyRef,
  type Layer,
  type Piece,
  type Stroke,
} from '@/core/document';
import { clamp } from '@/core/numbers';

export type Step = 'setup' | 'underlay' | 'trace' | 'ink' | 'place' | 'time' | 'reveal' | 'finish';
export type Tool = 'select' | 'pen' | 'freehand' | 'shape' | 'text' | 'order' | 'hand';

export interface Selection {
  readonly layers: readonly string[];
  /** Points of the one selected stroke, by their place on its path. */
  readonly points: readonly number[];
  readonly keys: readonly KeyRef[];
}

export const NOTHING: Selection = { layers: [], points: [], keys: [] };

/** A piece as it was, and what was selected then: what undo goes back to. */
interface Moment {
  readonly piece: Piece;
  readonly selection: Selection;
}

/** What playing does at the last frame: it begins anew, turns round, or stops. */
export type PlayMode = 'loop' | 'there and back' | 'once';

/** Frames before and after the one shown that are seen faintly, every so many frames. */
export interface Onion {
  readonly shown: boolean;
  readonly before: number;
  readonly after: number;
  readonly every: number;
}

export interface EditorState {
  readonly piece: Piece;
  readonly past: readonly Moment[];
  readonly future: readonly Moment[];
  /** Where a drag began; while it runs, edits make no steps of their own. */
  readonly base: Moment | null;
  /** What the last edit could not change, and why: said by `sayWhatIsHeld`. */
  readonly held: readonly Held[];
  /** Counts the changes that the application made by itself (see `amend`). */
  readonly amends: number;
  /** Tag and time of the last edit that may take in the next of its kind (arrow keys). */
  readonly merging: { readonly tag: string; readonly at: number } | null;
  readonly selection: Selection;
  readonly step: Step;
  readonly tool: Tool;
  /** Frame shown; whole while standing. */
  readonly frame: number;
  readonly playing: boolean;
  /** Moments are passed through by the pointer, one after another. */
  readonly scrubbing: boolean;
  readonly playMode: PlayMode;
  /** Share of the piece's own speed at which it plays. */
  readonly playSpeed: number;
  /** Frames that playback could not show since it was started. */
  readonly dropped: number;
  /** The frame that playing waited for longest; null where none was dropped. */
  readonly slowest: number | null;
  readonly safeAreas: boolean;
  /** Layers that alone are shown; all where there are none. */
  readonly solo: readonly string[];
  readonly onion: Onion;
  /** Strokes are shown by their paths alone, over the underlay. */
  readonly linesOnly: boolean;
  /** The writing order is numbered on the canvas. */
  readonly numbers: boolean;
  /** The underlay that is being worked on. */
  readonly underlay: string | null;
  /** The stroke the pen is drawing on, and at which end. */
  readonly drawing: { readonly stroke: string; readonly at: 'start' | 'end' } | null;
}

const DEPTH = 1000;
const MERGE_MS = 900;

export const useEditor = create<EditorState>(() => ({
  piece: null as unknown as Piece,
  past: [],
  future: [],
  base: null,
  held: [],
  amends: 0,
  merging: null,
  selection: NOTHING,
  step: 'trace',
  tool: 'select',
  frame: 0,
  playing: false,
  scrubbing: false,
  playMode: 'loop',
  playSpeed: 1,
  dropped: 0,
  slowest: null,
  safeAreas: false,
  solo: [],
  onion: { shown: false, before: 2, after: 2, every: 3 },
  linesOnly: false,
  numbers: true,
  underlay: null,
  drawing: null,
}));

const get = useEditor.getState;
const set = useEditor.setState;
const momentOf = ({ piece, selection }: EditorState): Moment => ({ piece, selection });

/** Opens a piece afresh, without history. */
export function loadPiece(piece: Piece): void {
  set({
    piece,
    past: [],
    future: [],
    base: null,
    merging: null,
    selection: NOTHING,
    drawing: null,
    playing: false,
    solo: [],
    underlay: null,
  });
  set({ frame: 0, step: 'trace', tool: 'select', dropped: 0, slowest: null });
}

/** A changed piece in which all that follows something else has followed; the same where nothing was changed. */
function settled(piece: Piece, change: (piece: Piece) => Piece): Piece {
  const next = change(piece);
  return next === piece ? piece : settlePiece(piece, next);
}

/** What is held, the same list again while a drag meets the same. */
function heldNow(held: readonly Held[]): Pick<EditorState, 'held'> {
  const before = get().held;
  const same = held.length === before.length && held.every((one, i) => one.words === before[i]!.words);
  return { held: same && get().base ? before : held };
}

/**
 * Changes the document: one step of undo, or part of the drag that is under way. What is locked or follows something else stays
 * as it is, which is said.
 * @param merge edits with the same tag in quick succession become one step.
 */
export function edit(change: (piece: Piece) => Piece, merge?: string): void {
  put(guarded(get().piece, change), merge);
}

/** Changes the document as a whole, what is locked in it too: its rate, its length, another in its place. */
export function editWhole(change: (piece: Piece) => Piece, merge?: string): void {
  put({ piece: settled(get().piece, change), held: [] }, merge);
}

function put({ piece, held }: Guarded, merge?: string): void {
  const state = get();
  if (held.length > 0 || state.held.length > 0) set(heldNow(held));
  if (piece === state.piece) return;
  if (state.base) {
    set({ piece });
    return;
  }
  const now = Date.now();
  const joins = merge !== undefined && state.merging?.tag === merge && now - state.merging.at < MERGE_MS;
  set({
    piece,
    past: joins ? state.past : [...state.past.slice(1 - DEPTH), momentOf(state)],
    future: [],
    merging: merge === undefined ? null : { tag: merge, at: now },
  });
}

/**
 * Puts the document right where something in it has not followed yet, as strokes whose text was changed: no step of its
 * own, so that undo goes back to before what they follow, and what was undone can still be done again. Not while something
 * is dragged: every move counts from the document as it was before.
 */
export function amend(change: (piece: Piece) => Piece): void {
  const state = get();
  if (state.base) throw new Error('A document is not put right while something is dragged.');
  const piece = settled(state.piece, change);
  if (piece !== state.piece) set({ piece, amends: state.amends + 1 });
}

/** Begins a drag: all edits until endDrag() are one step. */
export function beginDrag(): void {
  if (!get().base) set({ base: momentOf(get()), held: [] });
}

/** Whether something is dragged and has moved: while it does, what is costly to draw may be drawn more roughly. */
export const isDragged = ({ base, piece }: Pick<EditorState, 'base' | 'piece'>): boolean =>
  base !== null && base.piece !== piece;

/** Changes the document as it was when the drag began, so that every move of the pointer counts from there. */
export function editFromBase(change: (piece: Piece) => Piece): void {
  const { base } = get();
  if (!base) return edit(change);
  const { piece, held } = guarded(base.piece, change);
  set({ piece, ...heldNow(held) });
}

export function endDrag(): void {
  const { base, piece, past } = get();
  if (!base) return;
  set(
    base.piece === piece
      ? { base: null }
      : { base: null, past: [...past.slice(1 - DEPTH), base], future: [], merging: null },
  );
}

/** Ends a drag and puts everything back as it was. */
export function cancelDrag(): void {
  const { base } = get();
  if (base) set({ ...base, base: null });
}

/** A frame of a piece, the one nearest to a frame that may lie outside it. */
const frameWithin = (piece: Piece, frame: number): number => clamp(frame, 0, piece.length - 1);

export function undo(): void {
  cancelDrag();
  const state = get();
  const to = state.past.at(-1);
  if (!to) return;
  set({
    ...to,
    past: state.past.slice(0, -1),
    future: [momentOf(state), ...state.future],
    merging: null,
    drawing: null,
    frame: frameWithin(to.piece, state.frame),
  });
}

export function redo(): void {
  cancelDrag();
  const state = get();
  const [to, ...future] = state.future;
  if (!to) return;
  set({
    ...to,
    past: [...state.past, momentOf(state)],
    future,
    merging: null,
    drawing: null,
    frame: frameWithin(to.piece, state.frame),
  });
}

export const select = (selection: Partial<Selection>): void =>
  set({ selection: { ...NOTHING, ...selection }, underlay: null });

/** Takes an underlay in hand; strokes are let go. */
export const selectUnderlay = (id: string | null): void => set({ selection: NOTHING, underlay: id });

/** Says whether the pointer passes through moments: what is not under it follows calmly then. */
export const setScrubbing = (scrubbing: boolean): void => set({ scrubbing });

/** Shows a frame of the piece; playback stops. */
export function showFrame(frame: number): void {
  set({ frame: frameWithin(get().piece, Math.round(frame)), playing: false });
}

/** The selected strokes, in writing order. */
export const selectedStrokes = ({ piece, selection }: Pick<EditorState, 'piece' | 'selection'>): Stroke[] =>
  strokesOf(piece).filter((layer) => selection.layers.includes(layer.id));

/** Everything selected: strokes, art and lettering, in their order. */
export const selectedLayers = ({ piece, selection }: Pick<EditorState, 'piece' | 'selection'>): Layer[] =>
  piece.layers.filter((layer) => selection.layers.includes(layer.id));

/** The one selected layer, or null when there is none or more than one. */
export function singleLayer(state: Pick<EditorState, 'piece' | 'selection'>): Layer | null {
  const layers = selectedLayers(state);
  return layers.length === 1 ? layers[0]! : null;
}

/** The one selected stroke, or null when there is none or more than one. */
export function singleStroke(state: Pick<EditorState, 'piece' | 'selection'>): Stroke | null {
  const strokes = selectedStrokes(state);
  return strokes.length === 1 ? strokes[0]! : null;
}

/** A new id that no stroke of the piece bears. */
export const newId = (): string => crypto.randomUUID().slice(0, 13);

/** The piece as it is looked at: where layers are shown alone, without the others. */
export const shownPiece = ({ piece, solo }: Pick<EditorState, 'piece' | 'solo'>): Piece =>
  solo.length > 0 ? withoutOthers(piece, solo) : piece;

/** Pieces as they are seen alone, by what alone is shown of them. */
const alone = new WeakMap<Piece, { readonly solo: readonly string[]; readonly piece: Piece }>();

function withoutOthers(piece: Piece, solo: readonly string[]): Piece {
  const known = alone.get(piece);
  if (known?.solo === solo) return known.piece;
  const made = { ...piece, layers: piece.layers.filter((layer) => solo.includes(layer.id)) };
  alone.set(piece, { solo, piece: made });
  return made;
}
