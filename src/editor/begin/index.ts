export * from './begin-card';
