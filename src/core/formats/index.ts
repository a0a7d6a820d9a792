export * from './lottie';
export * from './svg';
export * from './svg-writer';
export * from './tables';
