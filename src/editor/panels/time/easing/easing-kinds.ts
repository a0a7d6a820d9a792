import { sameValue } from '@/core/document';
import { CSS_EASE, ease, HOLD, landingEasing, LINEAR, SHAPE_NAMES, type Easing } from '@/core/timing';

interface EasingKind {
  readonly id: string;
  readonly name: string;
  readonly easing: Easing;
}

/** Every kind of easing, by the name it is chosen by, as it begins. */
export const EASING_KINDS: readonly EasingKind[] = [
  { id: 'linear', name: 'linear', easing: LINEAR },
  { id: 'hold', name: 'hold', easing: HOLD },
  { id: 'landing', name: 'soft landing', easing: landingEasing(0.75) },
  ...Object.entries(CSS_EASE).map(([id, easing]) => ({ id, name: id.replaceAll('-', ' '), easing })),
  { id: 'minimum jerk', name: 'hand, from rest to rest', easing: { type: 'minimum jerk' } },
  { id: 'spring', name: 'spring', easing: { type: 'spring', mass: 1, stiffness: 120, damping: 12 } },
  { id: 'back', name: 'overshoot', easing: { type: 'back', overshoot: 1.70158, way: 'out' } },
  { id: 'elastic', name: 'elastic', easing: { type: 'elastic', amplitude: 1, period: 0.3, way: 'out' } },
  { id: 'bounce', name: 'bounce', easing: { type: 'bounce', way: 'out' } },
  { id: 'steps', name: 'steps', easing: { type: 'steps', count: 4, jump: 'end' } },
  ...SHAPE_NAMES.map((name): EasingKind => ({ id: name, name, easing: { type: 'shape', name, way: 'out' } })),
  {
    id: 'drawn',
    name: 'drawn by hand',
    easing: {
      type: 'list',
      points: Array.from({ length: 25 }, (_, i) => ({
        at: i / 24,
        value: ease(CSS_EASE['ease-in-out'], i / 24),
      })),
    },
  },
];

/** How much influence the arriving key of a soft landing has, 0..1; null for another easing. */
export function landingOf(easing: Easing): number | null {
  if (easing.type !== 'bezier') return null;
  const landing = Math.round((1 - easing.x2) * 1e4) / 1e4;
  return sameValue(landingEasing(landing), easing) ? landing : null;
}

/** The kind an easing is of; a curve of its own where it is none of those offered. */
export function easingKindOf(easing: Easing): string {
  const exact = EASING_KINDS.find((kind) => sameValue(kind.easing, easing));
  if (exact) return exact.id;
  if (landingOf(easing) !== null) return 'landing';
  if (easing.type === 'bezier') return 'own';
  if (easing.type === 'shape') return easing.name;
  if (easing.type === 'list') return 'drawn';
  return easing.type;
}

export const easingName = (easing: Easing): string =>
  EASING_KINDS.find((kind) => kind.id === easingKindOf(easing))?.name ?? 'own curve';
