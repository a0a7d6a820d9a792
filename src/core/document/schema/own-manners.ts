import { landingEasing } from '../../timing';
import { mannerOf, type Manner, type MannerParts } from './manner';

const part = (name: string, parts: MannerParts): { readonly name: string; readonly manner: Manner } => ({
  name,
  manner: mannerOf(parts),
});

/** Ways of writing that ship with Obelus, by plain names. */
export const OWN_MANNERS = [
  part('On and off', { kind: 'both' }),
  part('Plain line', { kind: 'on' }),
  part('There and back', { kind: 'both', leaves: 'back' }),
  part('By hand', {
    kind: 'on',
    onFrames: 30,
    easing: { type: 'minimum jerk' },
    pace: { kind: 'hand', strength: 1, soft: 0.6 },
  }),
  part('Opening rule', { kind: 'both', from: 'middle', onFrames: 18, offFrames: 12 }),
  part('Closing in', { kind: 'both', from: 'ends', onFrames: 22, offFrames: 14 }),
  part('Quick accent', { kind: 'on', onFrames: 8, easing: landingEasing(0.9) }),
  part('Sprung', {
    kind: 'on',
    onFrames: 26,
    easing: { type: 'spring', mass: 1, stiffness: 120, damping: 14 },
  }),
  part('Passing light', {
    kind: 'pass',
    onFrames: 36,
    easing: { type: 'bezier', x1: 0.35, y1: 0, x2: 0.3, y2: 1 },
  }),
] as const;
