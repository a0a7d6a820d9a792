export { copyMatrix, placesOf, type Copies } from './copies';
export type { Items, StrokeNow, Subject, Variant } from './effect';
export { drawingsPerSecond, heldFrame } from './held';
export {
  glowSchema,
  glowUnder,
  glowWithin,
  shadowSchema,
  shadowUnder,
  type Glow,
  type Shadow,
} from './light';
export { unsteady } from './noise';
export { nowOf } from './now';
export * from './registry';
export { seeded } from './seeded';
