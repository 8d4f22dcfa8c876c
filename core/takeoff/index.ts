export * from './polygonArea';
export * from './volumeFromShape';
