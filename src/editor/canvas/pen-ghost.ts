import { create } from 'zustand';
import { subPath, measurePath, wholePath } from '@/core/geometry';
import { strokesOf } from '@/core/document';
import { clamp } from '@/core/numbers';
import { tracePath } from '@/core/paint';
import { penWay, type PenWay } from '@/core/trace';
import { notify } from '@/ui';
import { selectedStrokes, useEditor } from '../state';
import { useTracing } from '../tracing';
import { OVERLAY } from './colours';
import type { Seen } from './overlay-strokes';
import { standing } from './standing';
import { toScreen } from './view';

/** A pen that runs through strokes in their writing order, to show it. */
interface Ghost {
  readonly paths: Parameters<typeof penWay>[0];
  readonly way: PenWay;
  /** How far it has come, px of its way. */
  readonly gone: number;
}

interface GhostState {
  readonly ghost: Ghost | null;
  /** Asks for no further moment of it. */
  readonly halt: () => void;
}

export const usePenGhost = create<GhostState>(() => ({ ghost: null, halt: () => {} }));

/** All of the way takes at least and at most so long, s, and else so many px a second. */
const SHORTEST = 1.2;
const LONGEST = 12;
const SPEED = 900;
/** So long the whole way stands where motion is unwelcome, and the last moment where it is not, ms. */
const STANDS = 4000;
const RESTS = 700;

/** Ends the run of the ghost. */
export function stopGhost(): void {
  usePenGhost.getState().halt();
  usePenGhost.setState({ ghost: null });
}

/** The strokes whose order is in question: those found and not yet taken, else those chosen, else all. */
function pathsInQuestion(): Ghost['paths'] {
  const { run } = useTracing.getState();
  if (run?.strokes) return run.strokes.map((stroke) => stroke.path);
  const state = useEditor.getState();
  const chosen = selectedStrokes(state);
  return (chosen.length > 1 ? chosen : strokesOf(state.piece))
    .filter((stroke) => !stroke.hidden)
    .map((stroke) => standing(stroke).path);
}

/** Lets a pen's ghost run through the strokes in their writing order; where it runs, ends that. */
export function runGhost(): void {
  if (usePenGhost.getState().ghost) {
    stopGhost();
    return;
  }
  const paths = pathsInQuestion();
  const way = penWay(paths);
  if (way.length === 0) {
    notify('There are no strokes whose order could be shown.');
    return;
  }
  const show = (gone: number, halt: () => void): void =>
    usePenGhost.setState({ ghost: { paths, way, gone }, halt });
  if (matchMedia('(prefers-reduced-motion: reduce)').matches) {
    const ends = setTimeout(stopGhost, STANDS);
    show(way.length, () => clearTimeout(ends));
    return;
  }
  const seconds = clamp(way.length / SPEED, SHORTEST, LONGEST);
  const began = performance.now();
  const step = (now: number): void => {
    const share = Math.max(0, now - began) / 1000 / seconds;
    if (share > 1 + RESTS / 1000 / seconds) {
      stopGhost();
      return;
    }
    const next = requestAnimationFrame(step);
    show(Math.min(1, share) * way.length, () => cancelAnimationFrame(next));
  };
  step(began);
}

/** Draws the ghost: what it has written, where it was lifted, and the pen. */
export function penGhost({ context, view }: Seen): boolean {
  const { ghost } = usePenGhost.getState();
  const pen = ghost?.way.at(ghost.gone);
  if (!ghost || !pen) return false;
  const { paths, way } = ghost;
  context.save();
  context.lineCap = 'round';
  context.lineJoin = 'round';
  paths.forEach((path, i) => {
    if (i > pen.stroke) return;
    const m = measurePath(path);
    const done = i < pen.stroke || pen.written >= m.length;
    context.save();
    context.transform(view.zoom, 0, 0, view.zoom, view.x, view.y);
    context.beginPath();
    tracePath(context, done ? wholePath(path) : subPath(m, 0, pen.written));
    context.restore();
    for (const [width, colour] of [
      [5, OVERLAY.ink],
      [2.5, OVERLAY.head],
    ] as const) {
      context.lineWidth = width;
      context.strokeStyle = colour;
      context.stroke();
    }
  });
  context.setLineDash([5, 5]);
  context.lineWidth = 1.5;
  context.strokeStyle = OVERLAY.vellum;
  const lifted = way.lifts.slice(0, pen.lifts);
  for (const { from, to } of lifted) {
    const isLast = pen.isLifted && to === lifted.at(-1)!.to;
    const [a, b] = [toScreen(view, from), toScreen(view, isLast ? pen.point : to)];
    context.beginPath();
    context.moveTo(a.x, a.y);
    context.lineTo(b.x, b.y);
    context.stroke();
  }
  context.setLineDash([]);
  const at = toScreen(view, pen.point);
  context.beginPath();
  context.arc(at.x, at.y, 6, 0, Math.PI * 2);
  context.fillStyle = pen.isLifted ? OVERLAY.ink : OVERLAY.head;
  context.strokeStyle = pen.isLifted ? OVERLAY.vellum : OVERLAY.ink;
  context.lineWidth = 1.5;
  context.fill();
  context.stroke();
  context.restore();
  return true;
}
