export * from './followsOf';
