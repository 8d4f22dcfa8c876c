export { type CrewEntryMade, entriesOf, type PouredBatch, recordEntryOf } from './entriesOf';
export { type LifeAt, lifeOver } from './lifeOver';
