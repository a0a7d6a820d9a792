export * from './cubic-bezier';
export * from './css-easing';
export * from './easing';
export * from './keyframes';
export * from './pace';
export * from './rate';
export { SHAPE_NAMES, type ShapeName, type Way } from './shapes';
export * from './timecode';
