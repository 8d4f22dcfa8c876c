export type { Batch, Made } from './Made';
