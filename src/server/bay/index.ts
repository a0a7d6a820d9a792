export { receivedFrame } from './frames';
export { BAY_BYTES, openExport, takeFile, vectorsOf } from './receive';
