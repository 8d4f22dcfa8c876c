export * from './types';
export * from './verdict';
