export * from './Instance';
export { schedule, type Progress } from './schedule';
