import { hashesOf } from '@tufa/core/plan';
import { say } from '@tufa/words';
import { useState } from 'react';
import { View } from 'react-native';
import { Button } from '../parts/ui/Button';
import { askPlan } from '../workers/planWorker';
import { saveFile } from '../parts/phone/saveFile';
import { T } from '../parts/ui/T';
import type { JobView } from '../parts/job/useJob';
import { useSpeaker } from '../parts/phone/speaker';

/** The job file with its whole plan as JSON, computed in the worker so that a large job does not hold up the thumb. */
export function PlanFile({ view }: { view: JobView }) {
  const speaker = useSpeaker();
  const [state, setState] = useState<'ready' | 'working' | 'failed'>('ready');
  const save = async (): Promise<void> => {
    setState('working');
    try {
      const plan = await askPlan((worker) => worker.compute(view.input));
      saveFile({
        name: `${view.job.name}.plan.json`,
        type: 'application/json',
        text: JSON.stringify({ input: view.input, hashes: hashesOf(view.input), plan }, null, 1),
      });
      setState('ready');
    } catch {
      setState('failed');
    }
  };
  return (
    <View className="items-start gap-1">
      <Button label={say(speaker, state === 'working' ? 'mix.working' : 'mix.json')} disabled={state === 'working'} onPress={() => void save()} />
      {state === 'failed' ? <T tone="stop">{say(speaker, 'state.failed')}</T> : null}
    </View>
  );
}
