import { readingsOf } from '@tufa/contract/assemble';
import { OF_JOB, standing, type PourEvent } from '@tufa/core/pour';
import { say, sayCoded } from '@tufa/words';
import type { Speaker } from '@tufa/words/speak';
import { format } from 'date-fns/format';
import { findingName } from '@tufa/words/findingName';
import type { JobView } from '../parts/job/useJob';

/** One thing that happened to a job. */
export interface Happening {
  readonly id: string;
  /** ms since 1970 by the firm's clock */
  readonly at: number;
  readonly who: string;
  readonly text: string;
  readonly tone?: 'stop' | 'caution';
}

const corrected = ({ deviceAt, clockOffset }: PourEvent): number => deviceAt + clockOffset;

/** What an event of the pour says in a line; nothing for what only settles between phones. */
function eventText(speaker: Speaker, view: JobView, { kind, batch, findingId, payload }: PourEvent): Omit<Happening, 'id' | 'at' | 'who'> | null {
  const named = batch === OF_JOB ? '' : `${say(speaker, 'record.batch')} ${batch}: `;
  switch (kind) {
    case 'start':
      return { text: `${named}${say(speaker, 'record.happened.start')}` };
    case 'placed':
    case 'finished':
    case 'cleaned':
    case 'full':
      return { text: `${named}${say(speaker, `record.happened.${kind}`)}` };
    case 'wentHard':
    case 'thrown':
      return { text: `${named}${say(speaker, `record.${kind}`)}`, tone: 'stop' };
    case 'note':
      return { text: `${named}${payload.text || say(speaker, 'record.happened.spoken')}` };
    case 'read':
      return { text: `${named}${say(speaker, 'record.happened.read')}` };
    case 'tested':
      return {
        text: `${named}${say(speaker, payload.passed === false ? 'record.happened.testNo' : 'record.happened.testYes', { test: testName(speaker, payload.test) })}`,
      };
    case 'checked': {
      const figures = { check: sayCoded(speaker, `checks.of.${payload.test ?? ''}`), finding: findingName(speaker, view.data, findingId) };
      return payload.passed === false
        ? { text: say(speaker, 'record.happened.rework', figures), tone: 'caution' }
        : { text: say(speaker, 'record.happened.passed', figures) };
    }
    case 'broke': {
      const what = sayCoded(speaker, `broke.is.${payload.what ?? ''}`);
      return { text: payload.choice ? `${what}: ${sayCoded(speaker, `broke.way.${payload.choice}`)}` : what, tone: 'caution' };
    }
    default:
      return null;
  }
}

/** What was tested by hand: its name where what follows has one, else the hand test of the mix. */
function testName(speaker: Speaker, test: string | undefined): string {
  return test === 'consistency' || test === undefined ? say(speaker, 'record.happened.consistency') : sayCoded(speaker, `after.name.${test}`);
}

/** Everything that happened to a job, from the survey to the last check, in the order of its time. */
export function timelineOf(speaker: Speaker, view: JobView): Happening[] {
  const { data, job } = view;
  const name = (id: string): string => data.person[id]?.name ?? '';
  // Readings of one day are one line: a sounding alone may be a hundred.
  const days = new Map<string, { readonly at: number; readonly who: Set<string>; count: number }>();
  for (const { takenAt, value, kind } of readingsOf(data, job.id)) {
    if (kind === 'acknowledged') continue;
    const at = Date.parse(takenAt);
    const day = format(at, 'yyyy-MM-dd');
    const known = days.get(day) ?? { at, who: new Set<string>(), count: 0 };
    known.count += 1;
    if (value.by) known.who.add(value.by);
    days.set(day, known);
  }
  const happenings: Happening[] = [
    ...[...days].map(([day, { at, who, count }]) => ({ id: day, at, who: [...who].join(', '), text: say(speaker, 'record.happened.readings', { count }) })),
    ...Object.values(data.photograph)
      .filter(({ jobId, removed }) => jobId === job.id && !removed)
      .map(({ id, takenAt, findingId }) => ({
        id,
        at: Date.parse(takenAt),
        who: '',
        text: say(speaker, 'record.happened.picture', { of: findingId ? findingName(speaker, data, findingId) : job.name }),
      })),
    ...standing(view.events).flatMap((event) => {
      const told = eventText(speaker, view, event);
      return told ? [{ id: event.id, at: corrected(event), who: name(event.person), ...told }] : [];
    }),
  ];
  return happenings.sort((a, b) => a.at - b.at || (a.id < b.id ? -1 : 1));
}
