import {
  instrumentsFile,
  readingFile,
  siOfReading,
  type Instrument,
  type InstrumentsFile,
  type ReadingFile,
  type TakenReading,
} from '@tufa/contract/instruments';
import { HttpProblem } from '../http/HttpProblem';
import { askOutside, type Outside } from './outside';

/** An instrument that takes longer is not in reach; one that says more is none. */
const PATIENCE_MS = 4000;
const MOST_BYTES = 50_000;

const at = (address: string, path: string): URL => new URL(path, address.endsWith('/') ? address : `${address}/`);
const problem = (code: 'instrumentLost' | 'instrumentFlat' | 'instrumentUnit' | 'instrumentWild' | 'instrumentUnreadable'): HttpProblem =>
  new HttpProblem({ status: 502, code });

function saidOf<T>(answer: Outside<T>): T {
  if ('said' in answer) return answer.said;
  if (answer.failed === 'refused') throw problem(answer.code === 'batteryFlat' ? 'instrumentFlat' : 'instrumentLost');
  throw problem(answer.failed === 'unreadable' ? 'instrumentUnreadable' : 'instrumentLost');
}

/** Which instruments are there. @throws HttpProblem `instrumentLost`, `instrumentUnreadable` */
export async function askInstruments(address: string): Promise<readonly Instrument[]> {
  const answer = await askOutside<InstrumentsFile>({
    url: at(address, 'instruments'),
    schema: instrumentsFile,
    patience_ms: PATIENCE_MS,
    most_bytes: MOST_BYTES,
  });
  return saidOf(answer).instruments;
}

/**
 * What one of them reads now, SI, and when.
 *
 * @throws HttpProblem `instrumentLost`, `instrumentFlat`, `instrumentUnit`, `instrumentWild`, `instrumentUnreadable`
 */
export async function readInstrument({ address, id, kind }: { address: string } & Pick<Instrument, 'id' | 'kind'>): Promise<TakenReading> {
  const url = at(address, `instruments/${encodeURIComponent(id)}/reading`);
  const reading = saidOf(await askOutside<ReadingFile>({ url, schema: readingFile, patience_ms: PATIENCE_MS, most_bytes: MOST_BYTES }));
  if (reading.kind !== kind) throw problem('instrumentUnreadable');
  const si = siOfReading(reading);
  if (!si) throw problem('instrumentUnit');
  if (!si.within) throw problem('instrumentWild');
  return { kind, value: si.value, at: reading.at, invented: reading.invented };
}
