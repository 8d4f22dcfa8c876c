import { usedFaults, waterDrift, waterRatioUsed, type Used } from '@tufa/core/mix';
import type { Batch, PlanInput, TicketLine } from '@tufa/core/plan';
import { usedOf } from '@tufa/core/pour';
import type { Sheet } from '@tufa/core/shelf';
import { say } from '@tufa/words';
import { useState } from 'react';
import { View } from 'react-native';
import { usePerson } from '../outbox/session';
import type { JobView } from '../parts/job/useJob';
import { useSpeaker } from '../parts/phone/speaker';
import { Button } from '../parts/ui/Button';
import { QuantityFigure } from '../parts/ui/QuantityFigure';
import { following } from '../parts/ui/following';
import { T } from '../parts/ui/T';
import { TypedFigure } from '../parts/ui/TypedFigure';
import { logUsed } from '../pour/log';
import { firstWater, plannedMix } from './firstWater';
import { measuredAs } from './measuredAs';
import { partLetter } from './sayLine';
import { driftText, faultText } from './usedText';

type Line<C extends TicketLine['code']> = Extract<TicketLine, { code: C }>;
const lineOf = <C extends TicketLine['code']>({ lines }: Batch, code: C): Line<C> | undefined => lines.find((line): line is Line<C> => line.code === code);

/** What a ticket asks for, as far as it is measured into a vessel. */
function plannedOf(batch: Batch): Used {
  const parts = batch.lines.flatMap((line) => (line.code === 'part' ? [line.volume_m3] : []));
  const [water, latex, retarder, sand] = [lineOf(batch, 'water'), lineOf(batch, 'latex'), lineOf(batch, 'retarder'), lineOf(batch, 'sand')];
  return {
    ...(water ? { water_m3: water.volume_m3 } : {}),
    ...(latex ? { latex_m3: latex.volume_m3 } : {}),
    ...(retarder ? { packets: retarder.packets } : {}),
    ...(parts.length > 0 ? { parts_m3: parts } : {}),
    ...(sand ? { sand_kg: sand.mass_kg } : {}),
  };
}

/** What really went in, beside what the ticket asks for: wrong doses are told as they are typed, and what happened is kept all the same. */
export const UsedView = following(function UsedView({
  view,
  input,
  planId,
  list,
  batch,
  sheet,
}: {
  view: JobView;
  input: PlanInput;
  planId: string | null;
  list: readonly Batch[];
  batch: Batch;
  sheet: Sheet;
}) {
  const speaker = useSpeaker();
  const person = usePerson();
  const [typed, setTyped] = useState<Used>({});
  const planned = plannedOf(batch);
  const kept = usedOf(view.events).get(batch.number);
  const used = { ...planned, ...kept, ...typed };
  const { water_m3, latex_m3, packets, parts_m3 = [], sand_kg } = used;
  const asked = plannedMix(batch, input);
  const faults = usedFaults({ sheet, used, planned: asked });
  const first = firstWater(view.events, { input, list, batch });
  const ratio = waterRatioUsed(used, asked);
  const drift = first && ratio !== null && first.number !== batch.number ? waterDrift({ first: first.ratio, ratio }) : null;
  const take = (next: Used): void => setTyped((before) => ({ ...before, ...next }));
  const volume = (label: string, value: number, onChange: (value: number) => void) => (
    <QuantityFigure
      key={label}
      label={label}
      as={measuredAs(value)}
      kind="volume"
      value={value}
      least={0}
      most={10}
      assumed={kept === undefined && Object.keys(typed).length === 0}
      onChange={onChange}
    />
  );
  return (
    <View className="gap-3" testID="used">
      <T as="h2">{say(speaker, 'used.title')}</T>
      <View className="flex-row flex-wrap gap-3">
        {water_m3 === undefined ? null : volume(say(speaker, 'mix.water'), water_m3, (value) => take({ water_m3: value }))}
        {latex_m3 === undefined ? null : volume(say(speaker, 'mix.latex'), latex_m3, (value) => take({ latex_m3: value }))}
        {packets === undefined ? null : (
          <TypedFigure
            label={say(speaker, 'used.packets')}
            shown={String(Math.round(packets * 100) / 100)}
            assumed={kept === undefined}
            fault={say(speaker, 'used.packetsFault')}
            read={(text) => {
              const value = Number(text.replace(',', '.').trim());
              return text.trim() !== '' && value >= 0 && value <= 1000 ? value : undefined;
            }}
            onChange={(value) => take({ packets: value })}
          />
        )}
        {parts_m3.map((part_m3, i) =>
          volume(say(speaker, 'mix.partName', { part: partLetter(i) }), part_m3, (value) =>
            take({ parts_m3: parts_m3.map((other, at) => (at === i ? value : other)) }),
          ),
        )}
        {sand_kg === undefined ? null : (
          <QuantityFigure
            label={say(speaker, 'mix.sand')}
            as="mass"
            kind="mass"
            value={sand_kg}
            least={0}
            most={1000}
            onChange={(value) => take({ sand_kg: value })}
          />
        )}
      </View>
      {faults.map((fault) => (
        <View key={fault.code} role="alert">
          <T tone="stop" as="strong">
            {faultText(speaker, fault)}
          </T>
        </View>
      ))}
      {drift && first ? (
        <T tone="caution" as="strong">
          {driftText(speaker, drift, first.number)}
        </T>
      ) : null}
      <Button
        writes="pourEvent.add"
        label={say(speaker, kept && Object.keys(typed).length === 0 ? 'used.kept' : faults.length > 0 ? 'used.keepAnyway' : 'used.keep')}
        disabled={!person || (kept !== undefined && Object.keys(typed).length === 0)}
        onPress={() => {
          if (!person) return;
          void logUsed({ view, input, inUse: planId, person: person.id, batch, written: batch.number }, used).then(() => setTyped({}));
        }}
      />
    </View>
  );
});
