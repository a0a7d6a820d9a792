import { create } from 'zustand';
import { useEditor, type EditorState } from './editor-store';

/**
 * The editor's state as panels and charts see it. They follow at once, but for a drag, scrubbing and playing: there they
 * follow as often as leaves most of the time to what is under the pointer. Where following takes long, in a large piece, what
 * is done on the canvas is seen there first, and the panels follow after that picture.
 */
export const useCalm = create<EditorState>(() => useEditor.getState());

/** For each ms that following takes, so many pass without it. */
const REST = 9;
/** Following takes long where it took so much, ms; then a picture comes before it, which is there within so much. */
const LONG = 6;
const PICTURE = 24;

/** When it follows next, how long following took last, and when that was, ms. */
const pace = { waiting: null as ReturnType<typeof setTimeout> | null, cost: 0, followed: 0 };

function follow(): void {
  if (pace.waiting !== null) clearTimeout(pace.waiting);
  pace.waiting = null;
  const began = performance.now();
  useCalm.setState(useEditor.getState(), true);
  // React renders in a microtask that was queued before this one.
  queueMicrotask(() => {
    pace.followed = performance.now();
    pace.cost = pace.followed - began;
  });
}

useEditor.subscribe((now, before) => {
  const passing = now.base !== null || now.playing || now.scrubbing;
  // Tests of the state have no page.
  const isOnCanvas = (): boolean =>
    typeof document !== 'undefined' && document.activeElement?.matches('[data-canvas]') === true;
  if (now.selection !== before.selection) follow();
  else if (!passing && pace.cost > LONG && isOnCanvas()) pace.waiting ??= setTimeout(follow, PICTURE);
  else if (!passing) follow();
  else pace.waiting ??= setTimeout(follow, Math.max(0, pace.followed + pace.cost * REST - performance.now()));
});
