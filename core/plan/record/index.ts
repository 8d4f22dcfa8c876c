export { type CrewEntryMade, entriesOf, type PouredBatch } from './entriesOf';
export { recordEntryOf } from './recordEntryOf';
export { jobEntriesOf } from './jobEntriesOf';
export { type LifeAt, lifeOver } from './lifeOver';
