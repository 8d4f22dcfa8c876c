export * from './constants';
export * from './vibration';
