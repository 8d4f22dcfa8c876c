export * from './Reason';
export * from './rules';
export * from './rank';
export * from './constants';
export * from './houseMethod';
export * from './aidRules';
export * from './lifeOf';
export * from './worstOf';
