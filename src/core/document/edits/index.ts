export * from './arrive';
export * from './align-points';
export { copiesApart } from './copies-apart';
export * from './cover';
export * from './cues';
export * from './effects';
export * from './fit';
export * from './fragment';
export * from './groups';
export * from './guarded';
export * from './ink';
export * from './key-bearers';
export * from './keys';
export * from './layers';
export * from './fields';
export * from './layouts';
export * from './manner';
export * from './manner-window';
export * from './nested';
export * from './on-span';
export * from './order';
export * from './piece-time';
export * from './place';
export * from './placing';
export * from './points';
export { removePoints } from './remove-points';
export * from './reveal';
export * from './sequence';
export * from './set-text';
export * from './simplify';
export {
  joinStrokes,
  meetEnds,
  nearEnds,
  splitPath,
  splitStroke,
  type NearEnd,
  type StrokeEnd,
} from './split-join';
export * from './spread';
export * from './standing-mask';
export * from './styles';
export * from './ties';
export * from './ungroup';
