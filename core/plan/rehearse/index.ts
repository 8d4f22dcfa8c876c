export * from './Rehearsal';
export * from './advance';
export * from './mishapsOf';
export * from './outcomeOf';
export * from './rehearsalOf';
export { lifeOf, type Lived } from '../dayPlan/livedOf';
