export * from './theme-choice';
