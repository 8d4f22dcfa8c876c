export * from './common';
export * from './entities';
export * from './schemas';
export * from './commands';
export * from './applyCommand';
export * from './assemble';
export * from './pourEvents';
export * from './validate';
