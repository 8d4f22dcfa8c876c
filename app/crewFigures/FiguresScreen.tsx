import { shelfOf } from '@tufa/contract/assemble';
import { crewFigure } from '@tufa/core/setting';
import { DAY } from '@tufa/core/day';
import { printFigure, say } from '@tufa/words';
import { View } from 'react-native';
import { useFirm } from '../outbox/useFirm';
import { Screen } from '../parts/chrome/Screen';
import { useSpeaker } from '../parts/phone/speaker';
import { Answer, T } from '../parts/ui/T';
import { entriesIn } from './entryRows';
import { ProductFigures } from './ProductFigures';
import { TrialPiece } from './TrialPiece';

/** Everything a crew's batches have shown, product by product, and a piece to try. */
export function FiguresScreen() {
  const speaker = useSpeaker();
  const { data } = useFirm();
  const entries = entriesIn(data);
  const shelf = shelfOf(data).map(({ sheet }) => sheet);
  const known = shelf.filter(({ productId }) => entries.some((entry) => entry.productId === productId && entry.kind === 'life'));
  const [firm] = Object.values(data.firm);
  const of = (kind: 'rate' | 'waste') => entries.filter((entry) => entry.kind === kind && !entry.aside).map(({ value }) => ({ value }));
  const [rates, wastes] = [of('rate'), of('waste')];
  const prior = firm?.settings.workRates?.fill ?? DAY.workRates.fill;
  const batches = (count: number): string => say(speaker, 'crewFigures.batches', { count });
  return (
    <Screen
      title={say(speaker, 'crewFigures.title')}
      head={
        <View className="gap-1">
          <Answer size="number">{say(speaker, 'crewFigures.title')}</Answer>
          <T as="lead">{say(speaker, entries.length > 0 ? 'crewFigures.lead' : 'crewFigures.none')}</T>
        </View>
      }
    >
      {rates.length > 0 ? (
        <T as="strong">
          {say(speaker, 'crewFigures.rate', {
            pace: printFigure(speaker, 'pace_share', crewFigure({ name: 'rate', prior, log: rates }).p50 / prior),
            batches: batches(rates.length),
          })}
        </T>
      ) : null}
      {wastes.length > 0 && firm ? (
        <T as="strong">
          {say(speaker, 'crewFigures.waste', {
            waste: printFigure(speaker, 'waste_share', crewFigure({ name: 'waste', prior: firm.settings.medianWaste, log: wastes }).p50),
            batches: batches(wastes.length),
          })}
        </T>
      ) : null}
      {known.map((sheet) => (
        <ProductFigures key={sheet.id} data={data} sheet={sheet} />
      ))}
      <TrialPiece sheets={known.length > 0 ? known : shelf.slice(0, 6)} />
    </Screen>
  );
}
