export * from './layout-client';
export * from './layout-button';
