import type { FirmData } from '@tufa/contract/entities';
import { say, type Speaker } from './speak';
import { planKind } from './survey';

/** A finding as it is called: what it is, and its letter. */
export function findingName(speaker: Speaker, data: Pick<FirmData, 'finding'>, findingId: string): string {
  const found = data.finding[findingId];
  return found ? `${say(speaker, `walk.kinds.${planKind(found)}`)} ${found.label}` : '';
}
