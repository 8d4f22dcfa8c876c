export * from './types';
export * from './verdict';
export * from './soundingGrid';
export * from './tapsToHalve';
export * from './readingsToHalve';
