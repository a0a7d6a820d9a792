export * from './canvas-stage';
export { finishDrawing, removeLastDrawn } from './tools';
export * from './view';
export { runGhost, stopGhost, usePenGhost } from './pen-ghost';
export { paintGround } from './ground';
export { setAhead, useAhead } from './painted-ahead';
export { TypeEntry } from './type-entry';
export {
  arrowsDraw,
  giveUpHold,
  moveCrosshair,
  showCrosshair,
  toggleCrosshair,
  useCrosshair,
} from './crosshair';
