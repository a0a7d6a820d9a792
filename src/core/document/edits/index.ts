export * from './clean';
export * from './ink';
export * from './keys';
export * from './layers';
export * from './manner';
export * from './placing';
export * from './points';
