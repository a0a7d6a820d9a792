export { receivedFrame } from './frames';
export { BAY_BYTES, openExport, takeFile } from './receive';
export { sourceOf } from './source';
