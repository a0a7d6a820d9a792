export { answersLarge } from './answers-large';
export { bodyOf, checked, patched } from './aside';
export { type BodyName, type BodyOf, type CheckedItem } from './bodies';
export { unfit, validDocument, type CheckedDocument } from './checked';
export {
  appendRevision,
  documentAt,
  documentOf,
  insertPiece,
  noPiece,
  standing,
  type Standing,
} from './stored';
