export * from './mix';
export * from './ramp';
