export * from './actions';
export * from './editor-store';
export * from './tool-settings';
export * from './loose-ends';
export * from './colour-pick';
export * from './spread-settings';
export * from './calm';
export * from './mask-in-hand';
