export * from './pen-stroke';
