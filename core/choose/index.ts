export * from './Reason';
export * from './rules';
export * from './rank';
