export * from './lottie';
export * from './lottie-reader';
export * from './moving';
export * from './svg';
export * from './svg-writer';
export * from './tables';
