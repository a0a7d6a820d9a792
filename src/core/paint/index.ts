export * from './context';
export * from './paint';
