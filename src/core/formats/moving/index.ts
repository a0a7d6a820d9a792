export * from './moving-stroke';
export * from './seen-between';
