import { say } from '@tufa/words/speak';
import type { Firm } from '../../outbox/useFirm';
import { useOnline } from './SyncLine';
import { T } from '../ui/T';

/** Loading, failed or without signal, in words; nothing while all is well. */
export function Standing({ firm }: { firm: Firm }) {
  const online = useOnline();
  if (firm.ready) return online ? null : <T as="small">{say('state.offline')}</T>;
  return <T as="lead">{say(!online ? 'state.offline' : firm.failed ? 'state.failed' : 'state.loading')}</T>;
}
