import type { PlanInput } from '@tufa/core/plan';
import { say, sayProblem } from '@tufa/words';
import { useMemo, useState } from 'react';
import { poursTomorrow } from '../fix/poursTomorrow';
import { useFirm, useJobsWith } from '../outbox/useFirm';
import { Screen } from '../parts/chrome/Screen';
import { jobFile } from '../parts/job/jobFile';
import { Standing } from '../parts/chrome/Standing';
import { useSpeaker } from '../parts/phone/speaker';
import { Several } from '../parts/ui/Choice';
import { Answer, T } from '../parts/ui/T';
import { useWorkedOut } from '../workers/useWorkedOut';
import { JobOrder } from './JobOrder';
import { LoadWeight } from './LoadWeight';

/** What several jobs take together, to load once: those that pour tomorrow, or any others. */
export function LoadScreen() {
  const speaker = useSpeaker();
  const firm = useFirm();
  const jobs = useMemo(() => Object.values(firm.data.job).filter(({ removed }) => !removed), [firm.data.job]);
  const [picked, setPicked] = useState<readonly string[] | null>(null);
  const wanted = picked ?? jobs.filter(poursTomorrow).map(({ id }) => id);
  const data = useJobsWith(wanted);
  const inputs = wanted.flatMap((id): PlanInput[] => {
    const found = data.get(id);
    const input = found && jobFile(found, id);
    return input ? [input] : [];
  });
  const [first, ...others] = inputs;
  const whole = inputs.length === wanted.length;
  const { data: load, isError } = useWorkedOut('load', first && whole ? inputs : null, (worker) => worker.load([first!, ...others]), { keepLast: true });
  const count = load?.value?.orders.reduce((sum, { chosen }) => sum + chosen.packages.reduce((all, pack) => all + pack.count, 0), 0) ?? 0;
  return (
    <Screen
      title={say(speaker, 'load.title')}
      head={
        <>
          <Answer size="number">{load?.value && wanted.length > 0 ? say(speaker, 'load.packs', { count }) : say(speaker, 'load.title')}</Answer>
          <T as="lead">
            {wanted.length === 0
              ? say(speaker, 'load.none')
              : load?.problem
                ? sayProblem(speaker, load.problem)
                : say(speaker, isError ? 'state.failed' : load ? 'load.lead' : 'mix.working')}
          </T>
        </>
      }
    >
      <Standing firm={firm} />
      <Several label={say(speaker, 'load.jobs')} options={jobs.map(({ id, name }) => ({ value: id, label: name }))} values={wanted} onChange={setPicked} />
      {load?.value && wanted.length > 0 ? (
        <>
          <LoadWeight input={load.value.input} plan={load.value} />
          <JobOrder input={load.value.input} plan={load.value} heading="load.order" />
        </>
      ) : null}
    </Screen>
  );
}
