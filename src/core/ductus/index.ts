export { evenPlaces, readForms, type Form, type Movement } from './form';
export { formsOf, formsOfParts } from './forms-of';
export { isJoinedScript, positionIn, type Position } from './position';
export * from './match';
