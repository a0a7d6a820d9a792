export * from './dot';
export * from './window';
export * from './profile';
export * from './swept';
