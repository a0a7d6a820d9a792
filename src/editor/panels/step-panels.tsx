'use client';
import type { ComponentType } from 'react';
import { fetched } from '../fetched';
import type { Step } from '../state';

/** What fetches the panel of each step. */
const LOADERS: Record<Step, () => Promise<ComponentType>> = {
  setup: () => import('./setup-panel').then((m) => m.SetupPanel),
  underlay: () => import('./underlay-panel').then((m) => m.UnderlayPanel),
  trace: () => import('./trace-panel').then((m) => m.TracePanel),
  ink: () => import('./ink').then((m) => m.InkPanel),
  place: () => import('./place').then((m) => m.PlacePanel),
  time: () => import('./time').then((m) => m.TimePanel),
  reveal: () => import('./reveal').then((m) => m.RevealPanel),
  finish: () => import('./finish').then((m) => m.FinishPanel),
};

/** The panel of each step. The one that is shown is fetched with the editor, the others when there is nothing else to do. */
export const STEP_PANELS: Record<Step, ComponentType> = {
  setup: fetched(LOADERS.setup),
  underlay: fetched(LOADERS.underlay),
  trace: fetched(LOADERS.trace),
  ink: fetched(LOADERS.ink),
  place: fetched(LOADERS.place),
  time: fetched(LOADERS.time),
  reveal: fetched(LOADERS.reveal),
  finish: fetched(LOADERS.finish),
};

/** Fetches the panels that were not shown yet; one that can't be had now is fetched when it is asked for. */
export const fetchPanels = (): void =>
  Object.values(LOADERS).forEach((load) => void load().catch(() => null));
