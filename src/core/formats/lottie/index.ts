export { writeLottie, type LottieFilm } from './write-lottie';
