export { clamp } from './clamp';
export { stepsIn } from './steps-in';
