export * from './cover-client';
export * from './cover-state';
export * from './write-itself';
