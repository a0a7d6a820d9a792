'use client';
import { fetched } from '../fetched';
import type { Step } from '../state';

/** The panel of each step. The one that is shown is fetched with the editor, the others when there is nothing else to do. */
export const STEP_PANELS = {
  setup: fetched(() => import('./setup-panel').then((m) => m.SetupPanel)),
  underlay: fetched(() => import('./underlay-panel').then((m) => m.UnderlayPanel)),
  trace: fetched(() => import('./trace-panel').then((m) => m.TracePanel)),
  ink: fetched(() => import('./ink').then((m) => m.InkPanel)),
  place: fetched(() => import('./place').then((m) => m.PlacePanel)),
  time: fetched(() => import('./time').then((m) => m.TimePanel)),
  reveal: fetched(() => import('./reveal').then((m) => m.RevealPanel)),
  finish: fetched(() => import('./finish').then((m) => m.FinishPanel)),
} satisfies Record<Step, unknown>;

/** Fetches the panels that were not shown yet; one that can't be had now is fetched when it is asked for. */
export const fetchPanels = (): void =>
  Object.values(STEP_PANELS).forEach((panel) => void panel.fetch().catch(() => null));
