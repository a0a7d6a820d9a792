export { ACCENTS } from './accents';
export { PENS } from './pens';
