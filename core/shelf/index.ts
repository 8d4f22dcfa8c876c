export * from './Sheet';
export * from './Aid';
export * from './reading';
export * from './thicknessFor';
export * from './fromClass';
export * from './contradictions';
export * from './fromAid';
