export { writeLottie } from './write-lottie';
