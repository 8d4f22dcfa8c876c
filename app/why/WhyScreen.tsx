import type { Ranked } from '@tufa/core/choose';
import { prepared, rankingOf, sheetOf, type ChosenPlan, type Conditions, type FindingPlan, type PlanInput, type TakeOff } from '@tufa/core/plan';
import type { Measured } from '@tufa/core/quantity';
import { bagOf, isReady } from '@tufa/core/shelf';
import type { FindingInput } from '@tufa/core/survey';
import { TAKEOFF } from '@tufa/core/takeoff';
import { printFigure, say, sayReason } from '@tufa/words';
import { findingName } from '@tufa/words/findingName';
import { localeOf, type Speaker } from '@tufa/words/speak';
import { volumeText } from '@tufa/words/survey';
import { useMemo } from 'react';
import { View } from 'react-native';
import { sayChance } from '../day/quantityText';
import { needText } from '../mix/needText';
import { StepLayout, StepScreen } from '../parts/job/StepScreen';
import type { JobView } from '../parts/job/useJob';
import { useSpeaker } from '../parts/phone/speaker';
import { Answer, T } from '../parts/ui/T';

/** A figure, and what it was made of. */
interface Because {
  readonly what: string;
  readonly figure: string;
  readonly why: string;
}

export const WhyScreen = () => <StepScreen step="fix">{(view) => <Why key={view.job.id} view={view} />}</StepScreen>;

/** Every figure of a job with what it was made of, as one page. */
function Why({ view }: { view: JobView }) {
  const speaker = useSpeaker();
  const chosen = (view.plan?.findings ?? []).filter((finding): finding is FindingPlan & { chosen: ChosenPlan } => finding.chosen !== null);
  return (
    <StepLayout
      step="fix"
      view={view}
      parts={{
        head: (
          <View className="gap-1">
            <Answer size="number">{say(speaker, 'why.title')}</Answer>
            <T as="lead">{say(speaker, chosen.length > 0 ? 'why.lead' : 'why.nothing')}</T>
          </View>
        ),
        body: (
          <View className="gap-4" testID="why">
            {chosen.map((finding) => (
              <OfFinding key={finding.findingId} view={view} finding={finding} />
            ))}
            <Part title={say(speaker, 'why.conditions')} lines={conditionLines(speaker, view.input.conditions)} />
          </View>
        ),
      }}
    />
  );
}

/** A part of the page: its figures, each over what it was made of. */
function Part({ title, lines }: { title: string; lines: readonly Because[] }) {
  return (
    <View className="gap-1">
      <T as="h2">{title}</T>
      <View role="list" aria-label={title}>
        {lines.map(({ what, figure, why }, i) => (
          <View key={i} role="listitem" className="border-b border-line py-2">
            <View className="flex-row items-baseline justify-between gap-3">
              <T as="strong" className="shrink">
                {what}
              </T>
              <T as="strong" className="shrink text-right">
                {figure}
              </T>
            </View>
            <T as="faint">{why}</T>
          </View>
        ))}
      </View>
    </View>
  );
}

function OfFinding({ view, finding }: { view: JobView; finding: FindingPlan & { chosen: ChosenPlan } }) {
  const speaker = useSpeaker();
  const found = view.input.findings.find(({ id }) => id === finding.findingId);
  // The rules are asked for what is shown, not for the whole shelf of every finding.
  const ranked = useMemo(() => rankingOf(view.input, finding.findingId).find(({ sheetId }) => sheetId === finding.chosen.sheetId), [view.input, finding]);
  if (!found) return null;
  const { chosen, takeOff } = finding;
  const { overlay } = chosen;
  const name = findingName(speaker, view.data, finding.findingId);
  const sheetName = (sheetId: string): string => sheetOf(view.input, sheetId)?.name ?? '';
  return (
    <View className="gap-3">
      <Part
        title={`${name}: ${sheetName(chosen.sheetId)}`}
        lines={[volumeLine(speaker, found, takeOff), ...layerLines(speaker, view.input, chosen, takeOff), ...besideLines(speaker, view.input, chosen)]}
      />
      {ranked ? <Reasons ranked={ranked} /> : null}
      {overlay ? (
        <>
          <Part
            title={say(speaker, 'why.overlay', { name, sheet: sheetName(overlay.chosen.sheetId) })}
            lines={layerLines(speaker, view.input, overlay.chosen, overlay.takeOff)}
          />
          <Reasons ranked={overlay.judged} />
        </>
      ) : null}
    </View>
  );
}

function Reasons({ ranked }: { ranked: Ranked }) {
  const speaker = useSpeaker();
  return (
    <View role="list" aria-label={say(speaker, 'why.reasons')} className="gap-1">
      <T as="strong">{say(speaker, 'why.reasons')}</T>
      {ranked.reasons.map((reason, i) => (
        <View key={i} role="listitem">
          <T {...(reason.verdict === 'yes' ? { as: 'faint' as const } : { tone: reason.verdict === 'no' ? ('stop' as const) : ('caution' as const) })}>
            {sayReason(speaker, reason)}
          </T>
        </View>
      ))}
    </View>
  );
}

/** Where a condition comes from, and who or what read it. */
function sourceText(speaker: Speaker, { source, by }: Measured): string {
  const said = say(speaker, `why.source.${source}`);
  return by ? say(speaker, 'why.sourceBy', { source: said, by }) : said;
}

const CONDITIONS = ['air_C', 'slab_C', 'powder_C', 'water_C', 'humidity', 'wind_ms'] as const;

function conditionLines(speaker: Speaker, conditions: Conditions): Because[] {
  return CONDITIONS.map((name) => {
    const measured = conditions[name];
    const figure =
      name === 'humidity'
        ? printFigure(speaker, 'humidity_share', measured.value)
        : name === 'wind_ms'
          ? speaker.system === 'us'
            ? `${Math.round(measured.value / 0.44704)} mph`
            : `${Math.round(measured.value * 3.6)} km/h`
          : printFigure(speaker, name, measured.value);
    return { what: say(speaker, `why.condition.${name}`), figure, why: sourceText(speaker, measured) };
  });
}

/** What a volume was worked out from. */
function volumeLine(speaker: Speaker, found: FindingInput, { area_m2, deepest_m, volume }: TakeOff): Because {
  const { text, range } = volumeText(speaker, volume);
  const told = { what: say(speaker, 'why.volume'), figure: `${text} (${range})` };
  if (found.kind === 'spall' && (found.readings?.length ?? 0) > 2)
    return { ...told, why: say(speaker, 'why.volumeReadings', { count: found.readings!.length, area_m2 }) };
  if (found.kind === 'spall' || found.kind === 'void')
    return { ...told, why: say(speaker, 'why.volumeShape', { deepest_m, shape: say(speaker, `word.shape.${found.shape}`), area_m2 }) };
  return { ...told, why: say(speaker, 'why.volumeSizes', { area_m2 }) };
}

const bySheet = ({ least_s, most_s }: { least_s: number; most_s: number }): number => Math.sqrt(least_s * most_s);

/** What a layer takes of its sheet and how long it lives; what comes ready is not mixed. */
function layerLines(speaker: Speaker, input: PlanInput, chosen: ChosenPlan, takeOff: TakeOff): Because[] {
  const { quantities, batches, window: answer, ticket, record, opens } = chosen;
  const { window, basis } = answer;
  const sheet = sheetOf(input, chosen.sheetId)!;
  const { chosen: order } = quantities;
  const ready = isReady(sheet);
  const line = (what: string, figure: string, why: string): Because => ({ what, figure, why });
  const bought = order.packages.map(({ count, mass_kg }) => `${count} x ${printFigure(speaker, 'pack_kg', mass_kg)}`).join(', ');
  const percent = (quantities.waterRatio * 100).toLocaleString(localeOf(speaker), { maximumFractionDigits: 1 });
  const mixing = ready
    ? []
    : [
        ...(sheet.water
          ? [
              line(
                say(speaker, 'why.water'),
                printFigure(speaker, 'water_kg', answer.batch.water_kg),
                say(speaker, 'why.waterBy', { percent, task: say(speaker, `word.task.${ticket.task}`) }),
              ),
            ]
          : []),
        line(
          say(speaker, 'why.batch'),
          printFigure(speaker, 'batch_kg', answer.batch.powder_kg),
          batches.limit
            ? say(speaker, 'why.batchBy', { count: batches.count, limit: printFigure(speaker, 'limit', batches.limit) })
            : say(speaker, 'why.batchFree', { count: batches.count }),
        ),
        line(say(speaker, 'why.mix'), printFigure(speaker, 'mix_C', answer.mix_C), say(speaker, sheet.water ? 'why.mixBy' : 'why.partsBy')),
      ];
  return [
    line(
      say(speaker, ready ? 'why.needed' : 'why.powder'),
      needText(speaker, quantities, sheet.water !== null).need,
      say(speaker, 'why.powderBy', {
        volume_m3: takeOff.volume.p50,
        // What the crew's own waste has shown, where it has.
        waste_share: prepared(input).firm.medianWaste,
        yield: printFigure(speaker, 'yield_m3', quantities.yield_m3_kg * bagOf(sheet).mass_kg),
      }),
    ),
    bought
      ? line(say(speaker, 'why.buy'), bought, say(speaker, 'why.buyBy', { sure_share: order.quantile, short_share: order.chanceShort }))
      : line(say(speaker, 'why.buy'), say(speaker, 'why.nothingBought'), say(speaker, 'why.inStock', { stock_kg: order.fromStock_kg })),
    line(say(speaker, 'why.cost'), printFigure(speaker, 'cost_minor', order.cost_minor), say(speaker, 'why.costBy')),
    ...mixing,
    line(
      say(speaker, 'why.place'),
      printFigure(speaker, 'place_s', window.placeBy_s),
      say(speaker, 'why.placeBy', {
        life_s: window.flowLife.p50,
        sheet_s: bySheet(sheet.flow),
        reference_C: sheet.reference_C,
        safe_share: basis.safeShare,
        accepted_share: basis.accepted,
      }),
    ),
    line(
      say(speaker, 'why.finish'),
      printFigure(speaker, 'finish_s', window.finishBy_s),
      say(speaker, 'why.finishBy', { life_s: window.finishLife.p50, ending: say(speaker, `word.ending.${window.finishEnding}`) }),
    ),
    line(
      say(speaker, 'why.lost'),
      sayChance(speaker, answer.chanceLost),
      say(speaker, 'why.lostBy', { place_s: window.placeNeeds_s, finish_s: window.finishNeeds_s }),
    ),
    ...(record
      ? [
          line(
            say(speaker, 'why.record'),
            printFigure(speaker, 'yours_s', record.yours.p50),
            say(speaker, 'why.recordBy', { entries: record.entries, yours_s: record.yours.p50, sheet_s: record.sheet_s }),
          ),
        ]
      : []),
    ...(opens ? [line(say(speaker, 'why.opens'), printFigure(speaker, 'opens_s', opens.after_s), say(speaker, 'why.opensBy'))] : []),
  ];
}

/** What is done and brought beside the material: carried away, soaked and misted, bonded, cured, coated. */
function besideLines(speaker: Speaker, input: PlanInput, { debris, water, aids }: ChosenPlan): Because[] {
  return [
    ...(debris
      ? [
          {
            what: say(speaker, 'why.debris'),
            figure: printFigure(speaker, 'debris_kg', debris.mass_kg),
            why: say(speaker, 'why.debrisBy', { count: debris.bags, bag_kg: TAKEOFF.debrisBagMost_kg }),
          },
        ]
      : []),
    ...(water
      ? [
          {
            what: say(speaker, 'why.bring'),
            figure: printFigure(speaker, 'bring_m3', water.total_m3),
            why: say(speaker, 'why.bringBy', { soak_m3: water.presoak_m3, films_m3: water.films_m3, mix_m3: water.mix_m3, rinse_m3: water.rinse_m3 }),
          },
        ]
      : []),
    ...aids
      .filter(({ verdict, amount }) => verdict !== 'no' && amount.p50 > 0)
      .flatMap(({ aidId, amount, area_m2 }) => {
        const aid = input.aids?.find(({ id }) => id === aidId);
        const figure = aid?.unit === 'kg' ? printFigure(speaker, 'aid_kg', amount.p50) : printFigure(speaker, 'aid_m3', amount.p50);
        return aid ? [{ what: aid.name, figure, why: say(speaker, 'why.aidBy', { area_m2 }) }] : [];
      }),
  ];
}
