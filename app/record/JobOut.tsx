import { say } from '@tufa/words';
import { saveFile } from '../parts/phone/saveFile';
import { useSpeaker } from '../parts/phone/speaker';
import { Button } from '../parts/ui/Button';
import type { JobView } from '../parts/job/useJob';
import { OF_JOB } from '../rows/shape';

/** Everything that is in a job, as it travels: its own row, and its tables by name. */
function wholeJob({ job, data }: Pick<JobView, 'job' | 'data'>): object {
  const tables = OF_JOB.map((name) => [name, Object.values(data[name]).filter(({ jobId }) => jobId === job.id)]);
  const careVisit = Object.values(data.careVisit).filter(({ jobId }) => jobId === job.id);
  return { job, ...Object.fromEntries(tables), careVisit };
}

/** The job taken away as one file, from what is on this phone. */
export function JobOut({ view }: { view: JobView }) {
  const speaker = useSpeaker();
  const save = (): void => saveFile({ name: `${view.job.name}.job.json`, type: 'application/json', text: JSON.stringify(wholeJob(view), null, 1) });
  return <Button label={say(speaker, 'archive.json')} hint={`${say(speaker, 'archive.job')}: ${say(speaker, 'archive.json')}`} onPress={save} />;
}
