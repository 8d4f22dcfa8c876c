export * from './constants';
export * from './mixedVolume';
export * from './order';
export * from './portion';
export * from './batches';
export * from './nearestMark';
