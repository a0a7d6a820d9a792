export { clamp } from './clamp';
export { fnv1a } from './fnv1a';
export { stepsIn } from './steps-in';
