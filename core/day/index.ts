export * from './constants';
export * from './vibration';
export * from './daysOnSite';
