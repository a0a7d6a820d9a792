export * from './selection-menu';
