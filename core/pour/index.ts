export * from './events';
export * from './BatchClock';
export * from './written';
