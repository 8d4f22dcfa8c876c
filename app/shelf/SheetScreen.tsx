import { MILESTONES, type Sheet, type SheetTime } from '@tufa/core/shelf';
import { say, printFigure } from '@tufa/words';
import { useLocalSearchParams, useRouter, type Href } from 'expo-router';
import { View } from 'react-native';
import { useFirm } from '../outbox/useFirm';
import { Button } from '../parts/Button';
import { Lines, type Line } from '../parts/Lines';
import { Screen } from '../parts/Screen';
import { Standing } from '../parts/Standing';
import { Answer, T } from '../parts/T';

const span = (name: string, least: number, most: number): string =>
  least === most ? printFigure(name, least) : say('shelf.range', { least: printFigure(name, least), most: printFigure(name, most) });

const time = ({ least_s, most_s }: SheetTime): string => span('t_s', least_s, most_s);

/** A sheet as lines of what it says, in the firm's units. */
export function linesOf(sheet: Sheet): Line[] {
  const { thickness, water, parts, limits, retarder } = sheet;
  return [
    [say('shelf.thickness'), span('d_m', thickness.least_m, thickness.most_m)],
    [say('shelf.lift'), printFigure('d_m', thickness.liftMost_m)],
    [say('shelf.feather'), say(thickness.feathers ? 'shelf.yes' : 'shelf.no')],
    [say('shelf.grain'), printFigure('d_m', sheet.grain_m)],
    ...(water ? [[say('shelf.water'), say('shelf.range', { least: water.least, most: water.most })] as Line] : []),
    ...(parts ? [[say('shelf.parts'), parts.join(' : ')] as Line] : []),
    [say('shelf.flow'), time(sheet.flow)],
    [say('shelf.finish'), time(sheet.finish)],
    [say('shelf.reference'), printFigure('t_C', sheet.reference_C)],
    [
      say('shelf.milestones'),
      MILESTONES.flatMap((name) => (sheet.milestones[name] === undefined ? [] : [[name, sheet.milestones[name]] as const]))
        .map(([name, after_s]) => say('strata.milestone', { milestone: name, after_s }))
        .join(', '),
    ],
    [
      say('shelf.strength'),
      sheet.strengths.map(([after_s, strength_MPa]) => `${printFigure('t_s', after_s)} ${printFigure('s_MPa', strength_MPa)}`).join(', '),
    ],
    [say('shelf.moisture'), printFigure('wants', sheet.moisture)],
    [say('shelf.profile'), say('shelf.csp', { profile: sheet.profile })],
    [say('shelf.bond'), printFigure('bond', sheet.bond)],
    [say('shelf.limits'), `${span('t_C', limits.airLeast_C, limits.airMost_C)}; ${span('t_C', limits.slabLeast_C, limits.slabMost_C)}`],
    [say('shelf.exposures'), sheet.exposures.map((exposure) => printFigure('exposure', exposure)).join(', ')],
    [
      say('shelf.retarder'),
      retarder.length === 0
        ? say('shelf.noRetarder')
        : retarder
            .slice(1)
            .map(([dose, factor]) => say('shelf.doses', { dose, factor }))
            .join('; '),
    ],
    [say('shelf.packs'), sheet.packs.map(({ mass_kg, price_minor }) => `${printFigure('m_kg', mass_kg)} ${printFigure('p_minor', price_minor)}`).join(', ')],
    [say('shelf.colour'), say('shelf.colourWetDry', { ...sheet.colour })],
  ];
}

/** One sheet read. */
export function SheetScreen() {
  const { sheet: sheetId = '' } = useLocalSearchParams<{ sheet: string }>();
  const firm = useFirm();
  const router = useRouter();
  const sheet = firm.data.sheet[sheetId]?.sheet;
  if (!sheet)
    return (
      <Screen title={say('shelf.title')} head={<Answer size="number">{say('shelf.title')}</Answer>}>
        <Standing firm={firm} />
        {firm.ready ? <T as="lead">{say('state.notFound')}</T> : null}
      </Screen>
    );
  return (
    <Screen
      title={sheet.name}
      head={
        <View className="gap-1">
          <Answer size="number">{sheet.name}</Answer>
          <T as="lead">{`${say(`class.${sheet.class}`)}, ${say('shelf.revision', { revision: sheet.revision })}`}</T>
        </View>
      }
      foot={sheet.water ? <Button label={say('shelf.use')} tone="act" onPress={() => router.push(`/bench/window?sheet=${sheetId}` as Href)} /> : undefined}
    >
      <Lines label={say('shelf.section')} lines={linesOf(sheet)} />
      <T as="small">{say('shelf.kept', { days: sheet.shelfLife_days })}</T>
    </Screen>
  );
}
