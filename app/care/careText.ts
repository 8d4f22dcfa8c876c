import type { FirmData, RowOf } from '@tufa/contract/entities';
import { say } from '@tufa/words';
import type { Speaker } from '@tufa/words/speak';
import { findingName } from '@tufa/words/findingName';

/** What is looked at again. */
export function careText(speaker: Speaker, data: Pick<FirmData, 'finding'>, { findingId, kind }: Pick<RowOf<'careVisit'>, 'findingId' | 'kind'>): string {
  const name = findingId && findingName(speaker, data, findingId);
  const what = say(speaker, `care.kind.${kind}`);
  return name ? say(speaker, 'care.what', { finding: name, kind: what }) : say(speaker, 'care.whole', { kind: what });
}
