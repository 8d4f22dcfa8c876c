import { MIX, usedFaults } from '@tufa/core/mix';
import { layerKey, type Batch, type BatchInput, type LayerMix, type PlanInput } from '@tufa/core/plan';
import { TASKS, type Sheet } from '@tufa/core/shelf';
import { say, printMeasure } from '@tufa/words';
import { View } from 'react-native';
import { change, write } from '../outbox/useFirm';
import type { JobView } from '../parts/job/useJob';
import { useSpeaker } from '../parts/phone/speaker';
import { Button } from '../parts/ui/Button';
import { Choice } from '../parts/ui/Choice';
import { QuantityFigure } from '../parts/ui/QuantityFigure';
import { T } from '../parts/ui/T';
import { firstWater, plannedMix } from './firstWater';
import { measuredAs } from './measuredAs';
import { faultText } from './usedText';

/** How the layers of this batch are mixed: how stiff, and with how much water, each as its work asks or as the crew has it; yield, clocks and order follow. */
export function BatchMix({ view, input, list, batch, sheet }: { view: JobView; input: PlanInput; list: readonly Batch[]; batch: Batch; sheet: Sheet }) {
  const speaker = useSpeaker();
  const { task, ticket, window } = batch;
  const water = batch.lines.find((line) => line.code === 'water');
  if (!task || !ticket || !window || water?.code !== 'water') return null;
  const { byLayer = {}, ...whole } = input.batch;
  const layersOf = ({ serves }: Batch): string[] => [...new Set(serves.map(({ findingId, role }) => layerKey(findingId, role)))];
  const layers = layersOf(batch);
  const told: LayerMix = byLayer[layers[0]!] ?? {};
  const keep = (keys: readonly string[], mixOf: (before: LayerMix) => LayerMix, rest: Omit<BatchInput, 'byLayer'> = whole): void => {
    const next: Record<string, LayerMix> = { ...byLayer };
    for (const key of keys) {
      const mixed = mixOf(byLayer[key] ?? {});
      if (Object.keys(mixed).length > 0) next[key] = mixed;
      else delete next[key];
    }
    void write(change('job', 'change', view.job.id, { batch: Object.keys(next).length > 0 ? { ...rest, byLayer: next } : rest }));
  };
  const planned = plannedMix(batch, input);
  const { powder_kg, waterRatio } = planned;
  // Latex and ice stay as they are, and the stone's own water: what is poured makes the difference.
  const ratioOf = (poured_m3: number): number => waterRatio + ((poured_m3 - water.volume_m3) * MIX.water_kg_m3) / powder_kg;
  const pouredAt = (ratio: number): number => Math.max(0, water.volume_m3 + ((ratio - waterRatio) * powder_kg) / MIX.water_kg_m3);
  const latex_m3 = batch.lines.reduce((sum, line) => sum + (line.code === 'latex' ? line.volume_m3 : 0), 0);
  const tasks = TASKS.filter((each) => each === task || sheet.water?.byTask[each] !== undefined);
  const consistency = told.consistency ?? input.batch.consistency;
  const first = firstWater(view.events, { input, list, batch });
  const inBand = sheet.water && first && first.ratio <= sheet.water.most * (1 + 1e-9) && first.ratio * (1 + 1e-9) >= sheet.water.least;
  const offered = inBand && Math.abs(first.ratio / waterRatio - 1) > 0.005 ? first : null;
  const alike = list.filter((other) => other.productId === batch.productId && other.task === task);
  return (
    <View className="gap-3" testID="batch-mix">
      {offered ? (
        <View className="gap-2 bg-sunk p-3">
          <T as="strong">
            {say(speaker, 'used.firstTook', {
              number: offered.number,
              here: printMeasure(speaker, 'volume', pouredAt(offered.ratio)),
            })}
          </T>
          <Button
            label={say(speaker, 'used.mixSo')}
            onPress={() => keep([...new Set(alike.flatMap(layersOf))], (before) => ({ ...before, waterRatio: offered.ratio }))}
          />
        </View>
      ) : null}
      <Choice
        label={say(speaker, consistency ? 'mix.consistencyYours' : 'mix.consistencyWork')}
        value={task}
        options={[
          ...(consistency ? [{ value: 'asWork' as const, label: say(speaker, 'mix.asWork') }] : []),
          ...tasks.map((each) => ({ value: each, label: say(speaker, `word.task.${each}`) })),
        ]}
        onChange={(each) => {
          // Another consistency is another water; as the work asks is so for the job's own too.
          const { consistency: _ofJob, ...rest } = whole;
          if (each === 'asWork') keep(layers, () => ({}), rest);
          else keep(layers, () => ({ consistency: each }));
        }}
      />
      <QuantityFigure
        label={say(speaker, told.waterRatio === undefined ? 'used.waterSheet' : 'used.waterYours')}
        as={measuredAs(water.volume_m3)}
        kind="volume"
        value={water.volume_m3}
        least={0}
        most={1}
        check={(poured_m3) => {
          const [fault] = usedFaults({ sheet, used: { water_m3: poured_m3, latex_m3 }, planned });
          return fault ? faultText(speaker, fault) : undefined;
        }}
        onChange={(poured_m3) => keep(layers, (before) => ({ ...before, waterRatio: ratioOf(poured_m3) }))}
      />
      {told.waterRatio === undefined ? null : (
        <Button writes="job.change" label={say(speaker, 'used.asSheet')} onPress={() => keep(layers, ({ waterRatio: _before, ...rest }) => rest)} />
      )}
    </View>
  );
}
