import { create } from 'zustand';
import { useEditor, type EditorState } from './editor-store';

/**
 * The editor's state as panels and charts see it. They follow at once, but for a drag, scrubbing and playing: there they
 * follow as often as leaves most of the time to what is under the pointer.
 */
export const useCalm = create<EditorState>(() => useEditor.getState());

/** For each ms that following takes, so many pass without it. */
const REST = 9;

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
  if (!passing || now.selection !== before.selection) follow();
  else pace.waiting ??= setTimeout(follow, Math.max(0, pace.followed + pace.cost * REST - performance.now()));
});
