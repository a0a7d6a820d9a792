export * from './playback';
