export { writeSvg, type Film } from './write-svg';
