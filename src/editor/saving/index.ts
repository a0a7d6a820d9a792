export * from './api';
export * from './open-piece';
export type { SaveStatus } from './saving';
