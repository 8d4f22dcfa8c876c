import type { FirmData } from '@tufa/contract/entities';
import { say } from '@tufa/words';
import { planKind } from '@tufa/words/survey';
import type { Speaker } from '@tufa/words/speak';

/** A finding as it is called: what it is, and its letter. */
export function findingName(speaker: Speaker, data: Pick<FirmData, 'finding'>, findingId: string): string {
  const found = data.finding[findingId];
  return found ? `${say(speaker, `walk.kinds.${planKind(found)}`)} ${found.label}` : '';
}
