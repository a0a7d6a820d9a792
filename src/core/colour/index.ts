export * from './colour-schema';
export * from './mix';
export * from './ramp';
