import { create } from 'zustand';
import type { Ink } from '@/core/document';
import type { Correction } from '@/core/pen';

export type ShapeKind = 'line' | 'rectangle' | 'ellipse' | 'arc' | 'polygon' | 'star' | 'spiral' | 'loops';

/** How the tools behave: the person's own, not the piece's. */
export interface ToolSettings {
  readonly correction: Correction;
  /** Whether pressure and tilt become width. */
  readonly pressure: boolean;
  readonly shape: ShapeKind;
  readonly radius: number;
  readonly sides: number;
  /** Depth of a star, rise of an arc, size of loops: shares. */
  readonly depth: number;
  readonly turns: number;
  /** Where an ellipse begins, degrees clockwise from its top. */
  readonly begin: number;
  readonly clockwise: boolean;
  /** The face in which new text is set: of a shipped or own face, or `line:` and that of a single-line one. */
  readonly face: string;
  /** The ink that was chosen for new strokes; where null it is that of the stroke before. */
  readonly ink: Ink | null;
  readonly snapping: boolean;
  /** Distance of the grid's lines, px; null without one. */
  readonly grid: number | null;
}

export const useTools = create<ToolSettings>(() => ({
  correction: 'smoothed',
  pressure: true,
  shape: 'line',
  radius: 0,
  sides: 5,
  depth: 0.45,
  turns: 3,
  begin: 0,
  clockwise: true,
  face: 'sacramento',
  ink: null,
  snapping: true,
  grid: null,
}));
