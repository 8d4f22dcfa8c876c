import { shelfOf } from '@tufa/contract/assemble';
import { CREW_FIGURES, crewFigure, type CrewFigureName } from '@tufa/core/setting';
import { TAKEOFF } from '@tufa/core/takeoff';
import { WEATHER } from '@tufa/core/weather';
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
  const of = (kind: CrewFigureName) => entries.filter((entry) => entry.kind === kind && !entry.aside).map(({ value }) => ({ value }));
  /** what is assumed of each, and how it is printed: a pace as a share of what is assumed */
  const fill = firm?.settings.workRates?.fill ?? DAY.workRates.fill;
  const share = (value: number): string => printFigure(speaker, 'figure_share', value);
  const figures: Readonly<Record<CrewFigureName, { readonly prior: number; readonly print: (value: number) => string }>> = {
    rate: { prior: fill, print: (value) => share(value / fill) },
    waste: { prior: firm?.settings.medianWaste ?? 0, print: share },
    soakDepth: { prior: TAKEOFF.soakDepth_m, print: (value) => printFigure(speaker, 'soak_m', value) },
    skinShare: { prior: WEATHER.skinShare, print: share },
  };
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
      {CREW_FIGURES.map((name) => {
        const log = of(name);
        const { prior, print } = figures[name];
        if (log.length === 0 || prior <= 0) return null;
        const { p10, p50, p90 } = crewFigure({ name, prior, log });
        return (
          <T key={name} as="strong">
            {say(speaker, 'crewFigures.figure', {
              name: say(speaker, `crewFigures.name.${name}`),
              assumed: print(prior),
              yours: print(p50),
              from: print(p10),
              to: print(p90),
              batches: say(speaker, 'crewFigures.times', { count: log.length }),
            })}
          </T>
        );
      })}
      {known.map((sheet) => (
        <ProductFigures key={sheet.id} data={data} sheet={sheet} />
      ))}
      <TrialPiece sheets={known.length > 0 ? known : shelf.slice(0, 6)} />
    </Screen>
  );
}
