export * from './BatchClock';
export * from './events';
export * from './follows';
export * from './siteClocks';
export * from './written';
