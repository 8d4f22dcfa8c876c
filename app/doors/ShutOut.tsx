import { say } from '@tufa/words/speak';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { api, ApiProblem } from '../outbox/api';
import { outbox } from '../outbox/Outbox';
import { unsentOf } from '../outbox/unsent';
import { alsoSend } from '../outbox/useFirm';
import { wipePhone } from '../outbox/wipePhone';
import { useSpeaker } from '../parts/phone/speaker';
import { Button } from '../parts/ui/Button';
import { T } from '../parts/ui/T';
import { DoorPage } from './DoorPage';

/** Without signal it is tried again after so long, ms. */
const AGAIN_MS = 10_000;

/** Sends once more what waits, where the owner takes it. What the firm refuses is its word too: nothing is held back for it. */
async function lastWord(): Promise<void> {
  if ((await unsentOf()) === 0) return;
  try {
    await api.lastWord();
  } catch (error) {
    // It had its chance.
    if (error instanceof ApiProblem && error.ours && error.details.status === 403) return;
    throw error;
  }
  await outbox.drain(api.send, () => Promise.resolve());
  for (const send of alsoSend) await send();
}

type Stage = 'sending' | 'wiping' | 'gone';

/** The firm has shut this phone out: what it had not sent goes once more where that is wanted, then everything of the firm leaves it. */
export function ShutOut({ taking }: { taking: boolean }) {
  const speaker = useSpeaker();
  const [stage, setStage] = useState<Stage>(taking ? 'sending' : 'wiping');
  const [waiting, setWaiting] = useState(0);
  const [tries, setTries] = useState(0);
  useEffect(() => {
    let again: ReturnType<typeof setTimeout> | undefined;
    const leave = async (): Promise<void> => {
      if (taking) await lastWord();
      setStage('wiping');
      await wipePhone();
      await api.wiped().catch(() => null);
      setStage('gone');
    };
    leave().catch(() => {
      void unsentOf().then(setWaiting);
      again = setTimeout(() => setTries((before) => before + 1), AGAIN_MS);
    });
    return () => clearTimeout(again);
  }, [taking, tries]);
  return (
    <DoorPage title={say(speaker, 'shutOut.title')}>
      <View role="status" className="gap-3">
        <T>{say(speaker, `shutOut.${stage}`)}</T>
        {stage === 'sending' && waiting > 0 ? <T tone="caution">{say(speaker, 'shutOut.waiting', { count: waiting })}</T> : null}
      </View>
      {stage === 'gone' ? <Button label={say(speaker, 'shutOut.again')} onPress={() => window.location.assign('/')} /> : null}
    </DoorPage>
  );
}
