import { say } from '@tufa/words/speak';
import type { Firm } from '../../outbox/useFirm';
import { useOnline } from './SyncLine';
import { T } from '../ui/T';
import { useSpeaker } from '../phone/speaker';

/** Loading, failed or without signal, in words; nothing while all is well. */
export function Standing({ firm }: { firm: Firm }) {
  const speaker = useSpeaker();
  const online = useOnline();
  if (firm.ready) return online ? null : <T as="small">{say(speaker, 'state.offline')}</T>;
  return <T as="lead">{say(speaker, !online ? 'state.offline' : firm.failed ? 'state.failed' : 'state.loading')}</T>;
}
