export { EasingGroup } from './easing-group';
export * from './easing-kinds';
