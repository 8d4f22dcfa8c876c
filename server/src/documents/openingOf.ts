import { followsOf } from '@tufa/core/plan';
import { siteClocks, type FollowCode } from '@tufa/core/pour';
import { say } from '@tufa/words';
import { momentOf } from './clock';
import { pouredOf, type JobParts } from './JobParts';
import { doneOf, nameOf } from './scope';

/** What a customer asks the hour of. */
const ASKED = ['foot', 'use', 'vehicles', 'coat', 'paint'] as const satisfies readonly FollowCode[];
type Asked = (typeof ASKED)[number];

const isAsked = (code: FollowCode): code is Asked => ASKED.some((asked) => asked === code);

interface Opening {
  readonly findingId: string;
  readonly code: Asked;
  readonly at: number;
  readonly passedAt: number | null;
}

/**
 * When each finding may be used, as its batches' own clocks and the hands that tried them say: of several batches the
 * last one counts. What is not poured yet says so.
 */
export function openingOf(parts: JobParts): string[] {
  const { speaker, plan } = parts;
  const last = new Map<string, Opening>();
  const poured = new Set<string>();
  for (const { state, planned } of pouredOf(parts)) {
    if (!planned) continue;
    const served = new Set(planned.batch.serves.map(({ findingId }) => findingId));
    if (state.ends.some(({ kind }) => kind === 'finished')) served.forEach((findingId) => poured.add(findingId));
    for (const { code, at, passedAt } of siteClocks(followsOf(planned.plan, planned.input, planned.batch), state)) {
      if (!isAsked(code)) continue;
      for (const findingId of served) {
        const known = last.get(`${findingId} ${code}`);
        if (!known || known.at < at) last.set(`${findingId} ${code}`, { findingId, code, at, passedAt });
      }
    }
  }
  const mixed = new Set(plan.batches.flatMap(({ serves }) => serves.map(({ findingId }) => findingId)));
  const order = doneOf(parts).map(({ findingId }) => findingId);
  const sorted = [...last.values()].sort((a, b) => order.indexOf(a.findingId) - order.indexOf(b.findingId) || a.at - b.at);
  const open = sorted.map(({ findingId, code, at, passedAt }) =>
    say(speaker, passedAt === null ? 'documents.openFrom' : 'documents.foundReady', {
      finding: nameOf(parts, findingId),
      what: say(speaker, `documents.use.${code}`),
      date: momentOf(parts, passedAt ?? at),
    }),
  );
  const missing = doneOf(parts).flatMap(({ findingId }) =>
    mixed.has(findingId) && !poured.has(findingId) ? [say(speaker, 'documents.findingNotPoured', { finding: nameOf(parts, findingId) })] : [],
  );
  return [...open, ...missing];
}
