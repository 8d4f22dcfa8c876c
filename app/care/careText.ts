import type { FirmData, RowOf } from '@tufa/contract/entities';
import { say } from '@tufa/words';
import type { Speaker } from '@tufa/words/speak';
import { format } from 'date-fns/format';
import { parseISO } from 'date-fns/parseISO';
import { findingName } from '@tufa/words/findingName';

/** An ISO day as it is read. */
export const dateText = (day: string): string => format(parseISO(day), 'd MMM yyyy');

/** What is looked at again. */
export function careText(speaker: Speaker, data: Pick<FirmData, 'finding'>, { findingId, kind }: Pick<RowOf<'careVisit'>, 'findingId' | 'kind'>): string {
  const name = findingId && findingName(speaker, data, findingId);
  const what = say(speaker, `care.kind.${kind}`);
  return name ? say(speaker, 'care.what', { finding: name, kind: what }) : say(speaker, 'care.whole', { kind: what });
}
