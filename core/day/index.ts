export * from './vibration';
