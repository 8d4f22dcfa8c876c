export { type CrewEntryMade, entriesOf, type PouredBatch, recordEntryOf } from './entriesOf';
export { jobEntriesOf } from './jobEntriesOf';
export { type LifeAt, lifeOver } from './lifeOver';
