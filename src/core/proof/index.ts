export { contrast, luminance } from './contrast';
export * from './finding';
export { legibleTime, secondsToRead } from './legible';
export { leastGap, openedDashes } from './dash-gaps';
export { proof } from './proof';
export { SAFE, safeArea } from './safe-areas';
export { uncoveringFindings } from './uncovering';
export type { Backdrop } from './look';
