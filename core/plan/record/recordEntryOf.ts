import type { RecordEntry } from '../../setting';
import type { CrewEntryMade } from './entriesOf';

/** An entry of the firm's as a record's: what a person has set aside says nothing. */
export const recordEntryOf = (entry: Pick<CrewEntryMade, 'value' | 'temperature_C' | 'retarder' | 'censored'>): RecordEntry => ({
  life_s: entry.value,
  temperature_C: entry.temperature_C ?? 21,
  retarder: entry.retarder ?? 1,
  ...(entry.censored ? { censored: true } : {}),
});
