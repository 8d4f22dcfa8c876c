export * from './Sheet';
export * from './Aid';
export * from './reading';
export * from './thicknessFor';
export * from './liftMostFor';
export * from './fromClass';
export * from './contradictions';
export * from './fromAid';
