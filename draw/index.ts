export * from './scene';
export * from './ruler';
export * from './planScene';
export * from './sectionScene';
export * from './strataScene';
export * from './vesselScene';
export * from './toSvg';
export * from './lifeScene';
