export * from './arrival-schema';
export {
  colourOfArt,
  colourOfPaint,
  type ArtGradient,
  type ArtGroup,
  type ArtPaint,
  type ArtShape,
} from './art-schema';
export { AXIS_NAMES } from './axes-schema';
export * from './behind';
export * from './between-schema';
export * from './box-of';
export { carriedCycle } from './carried-cycle';
export * from './changed';
export * from './count-schema';
export * from './create';
export * from './cue-schema';
export * from './cued';
export * from './edits';
export * from './field-schema';
export { fittedPath, settleFits } from './fitted';
export * from './fitted-schema';
export * from './frame-sizes';
export * from './glyph-colours';
export * from './grouped';
export * from './ink-schema';
export * from './keyed-parts';
export * from './kinds';
export * from './letter-outlines';
export { letterSchema, type LetterSetting } from './letter-schema';
export { settingSchema } from './lettering-schema';
export { LIMITS } from './limits';
export * from './manner-schema';
export { OWN_MANNERS } from './own-manners';
export * from './mask-schema';
export { mixedText } from './mixed-text';
export { cutName, cutText, isWholeText, nameOfHand, nameOfText, nameSchema } from './names';
export * from './piece-news';
export { hashOf } from './hash-of';
export { patchOf, type PatchStep } from './patch-of';
export * from './pin-schema';
export * from './placement-schema';
export * from './read';
export * from './reveal-schema';
export * from './rider-schema';
export * from './schema';
export * from './settle-piece';
export { shutterSchema, SHUTTER, type Shutter } from './shutter-schema';
export * from './shelf-schema';
export { placesAlong, shapeAlong } from './text-along';
export * from './text-parts';
export * from './tied';
export * from './ties-schema';
export * from './traced';
export { underlaySchema } from './underlay-schema';
export * from './speed-over-time';
export * from './stroke-at';
export * from './window-at';
export * from './window-schema';
export * from './path-at';
export * from './world';
