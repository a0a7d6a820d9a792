// What stands at a frame: the inked window, the matrix from a layer to the picture, riders, boxes, the frame of an arrival.
export * from './arrival-frame';
export * from './box-of';
export * from './own-box';
export * from './path-at';
export * from './ridden';
export * from './shape-along';
export * from './speed-over-time';
export * from './stroke-at';
export * from './window-at';
export * from './world';
