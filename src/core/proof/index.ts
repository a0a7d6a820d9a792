export { contrast, luminance } from './contrast';
export * from './finding';
export { legibleTime, secondsToRead } from './legible';
export { openedDashes, proof, type Backdrop } from './proof';
export { SAFE, safeArea } from './safe-areas';
export { uncoveringFindings } from './uncovering';
