export * from './underlay-images';
