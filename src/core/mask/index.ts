export * from './contours';
export * from './distance-to-paper';
export * from './mask';
