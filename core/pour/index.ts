export * from './events';
export * from './BatchClock';
