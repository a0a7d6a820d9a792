export * from './read-lottie';
