// Jobs that are larger than the demonstration's: their rows, written as a phone writes them.
import { SIGN_IN } from './page.mjs';

export const typed = (value) => ({ value, source: 'typed' });

export const rectangle = (x, y, w, h) => [
  [x, y],
  [x + w, y],
  [x + w, y + h],
  [x, y + h],
];

const STOPS = { rust: 'no', stepOrSettlement: 'no', movement: 'no', carriesBuilding: 'no', tooDeep: 'no' };
const PROPERTIES = { suspended: false, exposures: [], moisture: 'damp', opens: null };

/** Commands of a device, each with the next count. */
export function commandsFrom(id, first, device) {
  let seq = first;
  return (kind, target, change) => ({
    id: id(100_000 + (seq += 1)),
    v: 1,
    device,
    seq,
    person: SIGN_IN.data.personId,
    madeAt: new Date().toISOString(),
    kind,
    target,
    base: null,
    change,
  });
}

/** Sends commands, a hundred at a time. @throws where one is refused that was not there already */
export async function post(context, base, commands) {
  for (let i = 0; i < commands.length; i += 100) {
    const answer = await context.request.post(`${base}/api/v1/commands`, { data: commands.slice(i, i + 100) });
    const bad = (await answer.json()).results?.find(({ result, problem }) => result !== 'done' && problem?.code !== 'alreadyThere');
    if (bad) throw new Error(JSON.stringify(bad));
  }
}

/** A job like another, with one slab: row 0 is the job, row 1 the slab. */
export async function jobWithSlab({ context, base, like, add, id, name, width, length, thickness, batch = {} }) {
  const { job } = await (await context.request.get(`${base}/api/v1/jobs/${like}`)).json();
  return [
    add('job', 0, {
      name,
      customer: '',
      address: '',
      accessNote: '',
      zone: job.zone,
      pourOn: null,
      crew: job.crew,
      batch: { ...job.batch, ...batch },
      demonstration: false,
    }),
    add('element', 1, {
      jobId: id(0),
      name,
      kind: 'slab',
      geometry: { outline: rectangle(0, 0, width, length), thickness: typed(thickness), shape: 'rectangle' },
      properties: PROPERTIES,
      stops: STOPS,
    }),
  ];
}
