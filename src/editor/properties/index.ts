export * from './keying';
export { OwnersOf } from './owners';
export * from './part-choice';
export { KeyedLine, PartField } from './part-field';
export { rememberColour, useSwatches } from './swatches';
export { SchemaForm, ReferenceChoice, useSizeOfPicture } from './schema-form';
export * from './use-frames';
export * from './value-field';
export * from './words';
