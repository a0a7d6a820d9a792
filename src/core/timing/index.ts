export * from './cubic-bezier';
export * from './easing';
export * from './keyframes';
export * from './rate';
export * from './timecode';
