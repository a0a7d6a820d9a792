export { groundsOf, slicesOf } from './ground';
export * from './moving';
export * from './track';
export * from './tracks-of';
export * from './trim';
