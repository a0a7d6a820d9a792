// The rooms of a document, each of which calls those before it: schema, read, parts, keys, kinds, at, settle, edits.
export * from './schema/arrival';
export {
  colourOfArt,
  colourOfPaint,
  type ArtGradient,
  type ArtGroup,
  type ArtPaint,
  type ArtShape,
} from './schema/art';
export { AXIS_NAMES } from './schema/axes';
export * from './schema/between';
export { carriedCycle } from './schema/carried-cycle';
export * from './schema/count';
export * from './schema/cue';
export * from './schema/field';
export * from './schema/fitted';
export * from './schema/frame-sizes';
export * from './schema/ink';
export { inkDoes } from './schema/ink-parts';
export { letterSchema, type LetterSetting } from './schema/letter';
export { settingSchema } from './schema/lettering';
export { LIMITS } from './schema/limits';
export * from './schema/manner';
export * from './schema/mask';
export { cutName, cutText, isWholeText, nameOfHand, nameOfText, nameSchema } from './schema/names';
export * from './schema/new-piece';
export { OWN_MANNERS } from './schema/own-manners';
export * from './schema/piece';
export * from './schema/pin';
export * from './schema/placement';
export * from './schema/reveal';
export * from './schema/rider';
export * from './schema/shelf';
export { shutterSchema, SHUTTER, type Shutter } from './schema/shutter';
export * from './schema/ties';
export { underlaySchema } from './schema/underlay';
export * from './schema/window';
export { hashOf } from './read/hash-of';
export { patchOf, type PatchStep } from './read/patch-of';
export * from './read/piece-news';
export * from './read/read-piece';
export * from './parts/behind';
export * from './parts/changed';
export * from './parts/glyph-colours';
export * from './parts/grouped';
export * from './parts/keyed-parts';
export * from './parts/letter-outlines';
export { mixedText } from './parts/mixed-text';
export * from './parts/move-points';
export * from './parts/text-parts';
export * from './parts/traced';
export * from './parts/update';
export * from './keys/key-bearers';
export * from './keys/on-span';
export * from './keys/spans';
export * from './kinds';
export * from './at/arrival-frame';
export * from './at/box-of';
export * from './at/own-box';
export * from './at/path-at';
export { placesAlong, shapeAlong } from './at/shape-along';
export * from './at/speed-over-time';
export * from './at/stroke-at';
export * from './at/window-at';
export * from './at/world';
export * from './settle/settle-betweens';
export * from './settle/settle-cues';
export { settleFits } from './settle/settle-fits';
export * from './settle/settle-piece';
export * from './settle/settle-ties';
export * from './edits';
