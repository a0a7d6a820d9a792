export * from './faces';
export * from './line-faces';
