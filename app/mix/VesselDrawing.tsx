import type { Vessel } from '@tufa/core/mix';
import type { Batch } from '@tufa/core/plan';
import { siFactor } from '@tufa/core/quantity';
import type { Sheet } from '@tufa/core/shelf';
import { bottleScene, vesselScene } from '@tufa/draw';
import { say, printMeasure } from '@tufa/words';
import { useMemo } from 'react';
import { useWindowDimensions } from 'react-native';
import { useSpeaker } from '../parts/phone/speaker';
import { usePhone } from '../parts/phone/useSettings';
import { SceneView } from '../parts/ui/SceneView';
import { partLetter } from './sayLine';
import { contentsOf } from './vesselOf';

/** From so much on a vessel is read in quarts or litres, below it in ounces or tenths of a litre. */
const LARGE_M3 = 4e-3;

/** The vessel a batch is made in, to scale, with the marks that it is filled to; a vessel of the firm's by its own marks. */
export function VesselDrawing({ batch, sheet, vessel }: { batch: Batch; sheet: Sheet | undefined; vessel: Vessel }) {
  const speaker = useSpeaker();
  const { hand } = usePhone();
  const narrow = useWindowDimensions().width < 380;
  const scene = useMemo(() => {
    const metric = speaker.system === 'metric';
    const size = { width: narrow ? 126 : 156, height: 330, mirror: hand === 'left' };
    const { volume_m3, mark_m3 } = vessel;
    const litre = { unit_m3: metric ? 1e-3 : siFactor('volume', 'qt'), unit: say(speaker, metric ? 'unit.L' : 'unit.qt') };
    const small = { unit_m3: metric ? 1e-6 * nice(volume_m3 * 1e6) : siFactor('volume', 'fl oz'), unit: say(speaker, metric ? 'unit.mL' : 'unit.oz') };
    const ruled = mark_m3 === undefined ? (volume_m3 >= LARGE_M3 ? litre : small) : { unit_m3: mark_m3, unit: printMeasure(speaker, 'volume', mark_m3) };
    const parts = batch.lines.flatMap((line) => (line.code === 'part' ? [line] : []));
    if (parts.length > 0 && sheet) {
      const marks = parts.map(({ part, level_m3 }) => ({ level_m3, text: `${partLetter(part)}, ${printMeasure(speaker, 'volume', level_m3)}` }));
      return bottleScene({ ...size, bottle_m3: volume_m3, marks, ...ruled });
    }
    const liquid_m3 = batch.lines.reduce((most, line) => (line.code === 'water' || line.code === 'latex' ? Math.max(most, line.level_m3) : most), 0);
    return vesselScene({
      ...size,
      pail_m3: volume_m3,
      water_m3: batch.slurry?.liquid_m3 ?? liquid_m3,
      mixed_m3: contentsOf(batch, sheet)?.mixed_m3 ?? 0,
      ...ruled,
    });
  }, [batch, sheet, vessel, speaker, hand, narrow]);
  return <SceneView scene={scene} />;
}

/** Marks of a small vessel, so many millilitres apart. */
const nice = (of_mL: number): number => (of_mL > 500 ? 100 : of_mL > 200 ? 25 : 10);
