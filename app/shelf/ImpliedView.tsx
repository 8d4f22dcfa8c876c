import { impliedOf, type Implied } from '@tufa/core/plan';
import { Problem } from '@tufa/core/quantity';
import type { Sheet } from '@tufa/core/shelf';
import { impliedScene } from '@tufa/draw';
import { printFigure, say } from '@tufa/words';
import { inUnits } from '@tufa/words/survey';
import { useMemo } from 'react';
import { View } from 'react-native';
import { Table } from '../parts/ui/Lines';
import { SceneView } from '../parts/ui/SceneView';
import { T } from '../parts/ui/T';
import { useSize } from '../parts/phone/useSize';
import { useSpeaker } from '../parts/phone/speaker';

const worked = (sheet: Sheet, claim_m2: number | null): Implied | null => {
  try {
    return impliedOf(sheet, claim_m2 === null ? undefined : { area_m2: claim_m2 });
  } catch (error) {
    if (error instanceof Problem) return null;
    throw error;
  }
};

/** What a sheet's entries come to: its strata at three temperatures, what a bag gives and covers, what a claim implies. */
export function ImpliedView({ sheet, claim_m2 = null, bag = true }: { sheet: Sheet; claim_m2?: number | null; /** its pack was read */ bag?: boolean }) {
  const speaker = useSpeaker();
  const { size, onLayout } = useSize();
  const implied = useMemo(() => worked(sheet, claim_m2), [sheet, claim_m2]);
  const scene = useMemo(
    () =>
      implied && size
        ? impliedScene({ lives: implied.lives, width: size.width, height: 190, degrees: (temperature_C) => printFigure(speaker, 't_C', temperature_C) })
        : null,
    [implied, size, speaker],
  );
  if (!implied) return null;
  const { lives, bag_kg, bag_m3, covers, claimed } = implied;
  return (
    <View className="gap-2" onLayout={onLayout} testID="implied">
      <T as="h2">{say(speaker, 'shelf.implied')}</T>
      {claimed && bag ? <Claimed claimed={claimed} /> : null}
      {scene ? <SceneView scene={scene} /> : null}
      <T as="small">{say(speaker, 'shelf.impliedLead')}</T>
      <Table
        caption={say(speaker, 'shelf.implied')}
        columns={[say(speaker, 'shelf.at'), say(speaker, 'shelf.flow'), say(speaker, 'shelf.finish'), say(speaker, 'shelf.sets')]}
        rows={lives.map(({ temperature_C, flow_s, finish_s, milestones }) => [
          printFigure(speaker, 't_C', temperature_C),
          printFigure(speaker, 't_s', flow_s),
          printFigure(speaker, 't_s', finish_s),
          milestones.initial === undefined ? '' : printFigure(speaker, 't_s', milestones.initial),
        ])}
      />
      {bag ? (
        <Table
          caption={say(speaker, 'shelf.bagGives', { m_kg: bag_kg })}
          columns={[say(speaker, 'shelf.bagGives', { m_kg: bag_kg }), inUnits(speaker, 'volume', bag_m3)]}
          rows={covers.map(({ thickness_m, area_m2 }) => [say(speaker, 'shelf.bagCovers', { d_m: thickness_m }), printFigure(speaker, 'a_m2', area_m2)])}
        />
      ) : null}
    </View>
  );
}

function Claimed({ claimed: { thickness_m, least_m, holds } }: { claimed: NonNullable<Implied['claimed']> }) {
  const speaker = useSpeaker();
  if (thickness_m <= 0) return <T tone="stop">{say(speaker, 'shelf.claimNone')}</T>;
  if (!holds) return <T tone="caution">{say(speaker, 'shelf.claimThin', { d_m: thickness_m, least_m })}</T>;
  return <T as="strong">{say(speaker, 'shelf.claimHolds', { d_m: thickness_m })}</T>;
}
