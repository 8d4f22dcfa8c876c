export * from './Reason';
export * from './rules';
export * from './rank';
export * from './constants';
export * from './houseMethod';
