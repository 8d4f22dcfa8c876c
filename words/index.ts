export * from './speak';
export * from './figures';
