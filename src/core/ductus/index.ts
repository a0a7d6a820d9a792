export { evenPlaces, readForms, type Form, type Movement } from './form';
export { formChoices, formsOf, formsOfParts } from './forms-of';
export { isJoinedScript, positionIn, type Position } from './position';
export * from './match';
