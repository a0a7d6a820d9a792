export { endHeavy, runHeavy } from './heavy';
export { kindOfPicture, pictureKind } from './picture-kind';
export { PICTURE_LIMITS } from './picture-limits';
export { Refused } from './refused';
export type { Tasks } from './tasks';
