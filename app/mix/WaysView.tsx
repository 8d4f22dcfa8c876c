import { canonical, sheetOf, type BatchInput, type PlanInput } from '@tufa/core/plan';
import { LIMITS } from '@tufa/contract/limits';
import { MIX } from '@tufa/core/mix';
import { siFactor } from '@tufa/core/quantity';
import { bagOf } from '@tufa/core/shelf';
import { printFigure, say, sayShare, printMeasure } from '@tufa/words';
import { memo } from 'react';
import { View } from 'react-native';
import { quantityText } from '../day/quantityText';
import { change, write } from '../outbox/useFirm';
import type { JobView } from '../parts/job/useJob';
import { useSpeaker } from '../parts/phone/speaker';
import { Button } from '../parts/ui/Button';
import { Choice } from '../parts/ui/Choice';
import { T } from '../parts/ui/T';
import { fibreAids } from './fibreAids';
import { TypedFigure } from '../parts/ui/TypedFigure';

const near = (a: number, b: number): boolean => Math.abs(a - b) < 1e-9;
/** A figure of no unit that lies between two; undefined for what cannot be read. */
const readBetween =
  (least: number, most: number) =>
  (text: string): number | undefined => {
    const value = Number(text.replace(',', '.').trim());
    return text.trim() !== '' && value >= least && value <= most ? value : undefined;
  };

/** How it is mixed, kept with the job: how much at once, what goes in beside the powder, how far it is carried. Each is offered where a sheet of the list takes it. */
export const WaysView = memo(function WaysView({
  jobId,
  firms,
  input,
  mixed,
}: {
  jobId: string;
  firms: JobView['data']['firm'];
  input: PlanInput;
  /** ids of what of the list is mixed by the bag, in their order */
  mixed: string;
}) {
  const speaker = useSpeaker();
  const { batch, crew, firm } = input;
  const ofFirm = Object.values(firms)[0];
  const begins = ofFirm?.settings.newJob;
  const same = begins !== undefined && canonical(begins) === canonical({ crew, batch });
  const keep = (next: BatchInput): void => void write(change('job', 'change', jobId, { batch: next }));
  const without = (name: 'stone' | 'fibre' | 'colourPacks' | 'latexShare' | 'pail_m3'): BatchInput => {
    const { [name]: _left, ...rest } = batch;
    return rest;
  };
  const sheets = mixed.split(' ').flatMap((id) => sheetOf(input, id) ?? []);
  if (sheets.length === 0) return null;
  const doses = [...new Set(sheets.flatMap(({ retarder, retarderUnit }) => (retarderUnit === 'citric' ? [] : retarder.map(([dose]) => dose))))].sort(
    (a, b) => a - b,
  );
  const stone = sheets.find(({ extension }) => extension)?.extension ?? null;
  const latexMost = Math.max(0, ...sheets.map((sheet) => sheet.latexMost ?? 0));
  const latexShares = [latexMost / 2, latexMost];
  const fibres = fibreAids(input);
  const bag_kg = bagOf(sheets[0]!).mass_kg;
  const unit_kg = speaker.system === 'us' ? siFactor('mass', 'lb') : 1;
  const shares = [...firm.grid].sort((a, b) => b - a);
  return (
    <View className="gap-3" testID="ways">
      <T as="h2">{say(speaker, 'ways.title')}</T>
      {batch.pail_m3 === undefined ? null : (
        <View className="gap-2">
          <T tone="caution">{say(speaker, 'ways.pailLost', { volume: printMeasure(speaker, 'volume', batch.pail_m3) })}</T>
          <Button label={say(speaker, 'ways.pailBack')} onPress={() => keep(without('pail_m3'))} />
        </View>
      )}
      <Choice
        label={say(speaker, 'ways.share')}
        value={batch.share === null ? 'byMinute' : (shares.map(String).find((share) => near(Number(share), batch.share!)) ?? null)}
        options={[
          { value: 'byMinute', label: say(speaker, 'ways.byMinute') },
          ...shares.map((share) => ({ value: String(share), label: sayShare(speaker, share) })),
        ]}
        onChange={(value) => keep({ ...batch, share: value === 'byMinute' ? null : Number(value) })}
      />
      <TypedFigure
        label={say(speaker, speaker.system === 'us' ? 'ways.weightUs' : 'ways.weightMetric')}
        shown={batch.share === null ? '' : String(Number(((batch.share * bag_kg) / unit_kg).toPrecision(3)))}
        assumed={false}
        fault={say(speaker, 'ways.weightFault')}
        read={(text) => readBetween(LIMITS.share.least * bag_kg, LIMITS.share.most * bag_kg)(String(Number(text.replace(',', '.').trim()) * unit_kg))}
        onChange={(kg) => keep({ ...batch, share: kg / bag_kg })}
      />
      {doses.length > 1 ? (
        <Choice
          label={say(speaker, 'ways.retarder')}
          value={doses.map(String).find((dose) => near(Number(dose), batch.retarderDose)) ?? null}
          options={doses.map((dose) => ({ value: String(dose), label: quantityText(speaker, 'retarderDose', dose) }))}
          onChange={(dose) => keep({ ...batch, retarderDose: Number(dose) })}
        />
      ) : null}
      {stone ? (
        <Choice
          label={say(speaker, 'ways.stone')}
          value={batch.stone ? (near(batch.stone.ratio, stone.most) ? 'most' : near(batch.stone.ratio, stone.most / 2) ? 'half' : null) : 'byDepth'}
          options={[
            { value: 'byDepth', label: say(speaker, 'ways.byDepth') },
            { value: 'half', label: say(speaker, 'ways.toPowder', { m_share: stone.most / 2 }) },
            { value: 'most', label: say(speaker, 'ways.toPowder', { m_share: stone.most }) },
          ]}
          onChange={(value) =>
            keep(value === 'byDepth' ? without('stone') : { ...batch, stone: { ratio: value === 'most' ? stone.most : stone.most / 2, ...MIX.stone } })
          }
        />
      ) : null}
      {latexMost > 0 ? (
        <Choice
          label={say(speaker, 'ways.latex')}
          value={batch.latexShare ? (latexShares.map(String).find((share) => near(Number(share), batch.latexShare!)) ?? null) : 'none'}
          options={[
            { value: 'none', label: say(speaker, 'ways.latexNone') },
            ...latexShares.map((share) => ({ value: String(share), label: printFigure(speaker, 'latex_share', share) })),
          ]}
          onChange={(share) => keep(share === 'none' ? without('latexShare') : { ...batch, latexShare: Number(share) })}
        />
      ) : null}
      {fibres.length > 0 ? (
        <Choice
          label={say(speaker, 'ways.fibre')}
          value={
            batch.fibre ? (fibres.find(({ fibre }) => fibre.kind === batch.fibre!.kind && near(fibre.dose_kg_m3, batch.fibre!.dose_kg_m3))?.id ?? null) : 'none'
          }
          options={[{ value: 'none', label: say(speaker, 'day.none') }, ...fibres.map(({ id, name }) => ({ value: id, label: name }))]}
          onChange={(id) => {
            const fibre = fibres.find((each) => each.id === id)?.fibre;
            keep(fibre ? { ...batch, fibre } : without('fibre'));
          }}
        />
      ) : null}
      <View className="flex-row flex-wrap gap-3">
        <TypedFigure
          label={say(speaker, 'ways.colour')}
          shown={String(batch.colourPacks ?? 0)}
          assumed={false}
          fault={say(speaker, 'ways.colourFault')}
          read={readBetween(0, 20)}
          onChange={(colourPacks) => keep(colourPacks > 0 ? { ...batch, colourPacks } : without('colourPacks'))}
        />
        <TypedFigure
          label={say(speaker, 'ways.carry')}
          shown={String(Math.round(crew.carry_s))}
          assumed={false}
          fault={say(speaker, 'ways.carryFault')}
          read={readBetween(0, 3600)}
          onChange={(carry_s) => void write(change('job', 'change', jobId, { crew: { ...crew, carry_s } }))}
        />
      </View>
      {ofFirm ? (
        <Button
          writes="firm.change"
          label={say(speaker, same ? 'ways.firmHas' : 'ways.toFirm')}
          disabled={same}
          onPress={() => void write(change('firm', 'change', ofFirm.id, { settings: { ...ofFirm.settings, newJob: { crew, batch } } }))}
        />
      ) : null}
    </View>
  );
});
