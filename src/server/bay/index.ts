export { receivedFrame } from './frames';
export { BAY_BYTES } from './limits';
export { openExport, takeFile, vectorsOf } from './receive';
