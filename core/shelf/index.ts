export * from './Sheet';
export * from './reading';
