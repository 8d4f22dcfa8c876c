import { vesselFor } from '@tufa/core/mix';
import type { Batch } from '@tufa/core/plan';
import { siFactor } from '@tufa/core/quantity';
import { resinOf, type Sheet } from '@tufa/core/shelf';
import { bottleScene, vesselScene } from '@tufa/draw';
import { say } from '@tufa/words';
import { useMemo } from 'react';
import { useWindowDimensions } from 'react-native';
import { vessel } from '../parts/job/vessel';
import { useSpeaker } from '../parts/phone/speaker';
import { usePhone } from '../parts/phone/useSettings';
import { SceneView } from '../parts/ui/SceneView';
import { partLetter } from './sayLine';

/** From so much on a vessel is read in quarts or litres, below it in ounces or tenths of a litre. */
const LARGE_M3 = 4e-3;

/** The vessel a batch is made in, to scale, with the marks that it is filled to; nothing for what is measured into none. */
export function VesselDrawing({ batch, sheet, pail_m3 }: { batch: Batch; sheet: Sheet | undefined; pail_m3: number }) {
  const speaker = useSpeaker();
  const { hand } = usePhone();
  const narrow = useWindowDimensions().width < 380;
  const scene = useMemo(() => {
    const metric = speaker.system === 'metric';
    const size = { width: narrow ? 126 : 156, height: 330, mirror: hand === 'left' };
    const ruled = (of_m3: number) =>
      of_m3 >= LARGE_M3
        ? { unit_m3: metric ? 1e-3 : siFactor('volume', 'qt'), unit: say(speaker, metric ? 'unit.L' : 'unit.qt') }
        : { unit_m3: metric ? 1e-6 * nice(of_m3 * 1e6) : siFactor('volume', 'fl oz'), unit: say(speaker, metric ? 'unit.mL' : 'unit.oz') };
    const parts = batch.lines.flatMap((line) => (line.code === 'part' ? [line] : []));
    if (parts.length > 0 && sheet) {
      const bottle_m3 = batch.shots ? resinOf(sheet).bottle_m3 : vesselFor({ mixed_m3: parts.at(-1)!.level_m3, bulk_m3: 0, pail_m3 }).volume_m3;
      const marks = parts.map(({ part, level_m3 }) => ({ level_m3, text: `${partLetter(part)}, ${vessel(speaker, 'volume', level_m3)}` }));
      return bottleScene({ ...size, bottle_m3, marks, ...ruled(bottle_m3) });
    }
    const water = batch.lines.find((line) => line.code === 'water');
    if (water?.code !== 'water') return null;
    const liquid_m3 = batch.slurry?.liquid_m3 ?? water.volume_m3;
    const mixed_m3 = batch.slurry?.volume_m3 ?? batch.window?.batch.volume_m3 ?? 0;
    const bulk_m3 = sheet && batch.window ? batch.window.batch.powder_kg / sheet.bulkDensity_kg_m3 + liquid_m3 : mixed_m3;
    const { volume_m3 } = vesselFor({ mixed_m3, bulk_m3, pail_m3 });
    return vesselScene({ ...size, pail_m3: volume_m3, water_m3: liquid_m3, mixed_m3, ...ruled(volume_m3) });
  }, [batch, sheet, pail_m3, speaker, hand, narrow]);
  return scene ? <SceneView scene={scene} /> : null;
}

/** Marks of a small vessel, so many millilitres apart. */
const nice = (of_mL: number): number => (of_mL > 500 ? 100 : of_mL > 200 ? 25 : 10);
