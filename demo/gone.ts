import type { Easing } from '../src/core/timing';

/** How what closes goes: ever faster, so that no speck of it lingers for its last frames. */
export const GONE: Easing = { type: 'bezier', x1: 0.5, y1: 0, x2: 0.9, y2: 0.6 };
