export * from './constants';
export * from './WORKS';
export * from './vibration';
export * from './daysOnSite';
export * from './schedule';
