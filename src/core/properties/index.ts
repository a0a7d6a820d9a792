export {
  check,
  choice,
  colour,
  FACTS,
  keyedColour,
  keyedLength,
  keyedNumber,
  keyedOffset,
  keyedOpacity,
  length,
  MOST_LENGTH,
  number,
  offset,
  opacity,
  wholeNumber,
  type Facts,
  type IdFacts,
  type Unit,
} from './facts';
export { idSchema, reference } from './ids';
export { initialOf } from './initial';
export { mapKnown } from './mapped';
export { keyedPartNames, propertyAt, type Property } from './property';
export { formRows, type FormRow, type Shape } from './form-rows';
export { scaled } from './scaled';
