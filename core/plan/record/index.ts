export { type CrewEntryMade, entriesOf, type PouredBatch, recordEntryOf } from './entriesOf';
