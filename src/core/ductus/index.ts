export { evenPlaces, readForms, type Form, type Movement } from './form';
export { formsOf } from './forms-of';
export * from './match';
