export * from './findings';
export * from './lay';
export * from './measured';
export * from './nature';
export * from './ways';
