export { asksOf, bodyOf, deepestOf, kindOf, verdictOf } from './kindOf';
export type { Learned } from './Damage';
export { spallReadings } from './spall';
