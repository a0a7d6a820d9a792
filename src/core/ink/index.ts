export * from './dot';
export * from './window';
export * from './swept';
