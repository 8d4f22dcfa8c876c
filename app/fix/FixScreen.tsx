import type { Ranked } from '@tufa/core/choose';
import type { FindingPlan } from '@tufa/core/plan';
import type { Sheet } from '@tufa/core/shelf';
import { say, printFigure, sayReason } from '@tufa/words';
import { useRouter, type Href } from 'expo-router';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { v7 as uuid } from 'uuid';
import { change, write } from '../outbox/useFirm';
import { Button } from '../parts/Button';
import { Cautions } from '../parts/Cautions';
import { Lines, Table } from '../parts/Lines';
import { nothingYet, StepLayout, StepScreen } from '../parts/StepScreen';
import { stopOf } from '../parts/stopOf';
import { Answer, T } from '../parts/T';
import type { JobView } from '../parts/useJob';
import { bagsText } from '../mix/bagsText';
import { HouseMethodView } from '../firm/HouseMethodView';
import { planKind } from '@tufa/words/survey';
import { KitList } from './KitList';
import { NewerSheet } from './NewerSheet';
import { SectionView } from './SectionView';
import { StepList } from './StepList';

export const FixScreen = () => <StepScreen step="fix">{(view) => <Fix key={view.job.id} view={view} />}</StepScreen>;

const MARK = { yes: '', caution: '! ', no: '× ' } as const;
const TONE = { yes: undefined, caution: 'caution', no: 'stop' } as const;

/** The system and why; the section to scale; the next best and why not another one. */
function Fix({ view }: { view: JobView }) {
  const router = useRouter();
  const [findingId, setFindingId] = useState<string | null>(null);
  const [looking, setLooking] = useState<string | null>(null);
  const stop = stopOf('fix', view, () => router.replace(`/jobs/${view.job.id}/walk` as Href));
  if (stop) return stop;
  const findings = view.plan?.findings ?? [];
  const finding = findings.find((one) => one.findingId === findingId) ?? view.finding ?? findings[0];
  if (!finding)
    return (
      <StepLayout
        step="fix"
        view={view}
        parts={nothingYet({
          title: say('fix.noFinding'),
          lead: say('fix.noFindingLead'),
          label: say('step.walk'),
          onPress: () => router.replace(`/jobs/${view.job.id}/walk` as Href),
        })}
      />
    );

  const chosenId = finding.chosen?.sheetId ?? view.input.treatments.find((one) => one.findingId === finding.findingId)?.sheetId ?? null;
  const ranked = finding.ranking.find(({ sheetId }) => sheetId === (looking ?? chosenId)) ?? finding.ranking[0];
  const sheet = view.input.sheets.find(({ id }) => id === ranked?.sheetId);
  if (!ranked || !sheet) return null;
  const at = finding.ranking.indexOf(ranked);
  const use = (): void => {
    const treatment = Object.values(view.data.treatment).find((one) => one.findingId === finding.findingId && !one.removed);
    setLooking(null);
    void write(
      treatment
        ? change('treatment', 'change', treatment.id, { sheetId: sheet.id })
        : change('treatment', 'add', uuid(), {
            jobId: view.job.id,
            findingId: finding.findingId,
            sheetId: sheet.id,
            layers: [],
            edge: null,
            bond: null,
            cure: null,
          }),
    );
  };
  const chosen = chosenId === sheet.id;
  const shelf = <ShelfFor finding={finding} view={view} currentId={sheet.id} onLook={setLooking} />;
  return (
    <StepLayout
      step="fix"
      view={view}
      parts={{
        head: <Head view={view} finding={finding} ranked={ranked} sheet={sheet} />,
        body: (
          <View className="gap-4">
            {findings.length > 1 ? (
              <View className="flex-row flex-wrap gap-2">
                {findings.map((one) => (
                  <Button
                    key={one.findingId}
                    label={labelOf(view, one.findingId)}
                    tone={one === finding ? 'dark' : 'plain'}
                    onPress={() => {
                      setFindingId(one.findingId);
                      setLooking(null);
                    }}
                  />
                ))}
              </View>
            ) : null}
            {chosen ? <NewerSheet view={view} sheet={sheet} /> : null}
            <SectionView view={view} finding={finding} sheet={sheet} />
            <Lines
              label={say('fix.why')}
              lines={ranked.reasons.map(
                (reason) => [`${MARK[reason.verdict]}${sayReason(reason)}`, say(`fix.${reason.verdict}`), TONE[reason.verdict]] as const,
              )}
            />
            {finding.chosen && chosen ? <StepList steps={finding.chosen.steps} sheets={view.input.sheets} /> : null}
            <LayersTable sheet={sheet} finding={finding} view={view} />
            <KitList view={view} />
            <HouseMethodView
              own={view.job.house ?? {}}
              firm={view.input.firm.house ?? {}}
              onChange={(house) => void write(change('job', 'change', view.job.id, { house }))}
            />
            {view.plan ? <Cautions screen="fix" input={view.input} plan={view.plan} data={view.data} /> : null}
          </View>
        ),
        aside: shelf,
        foot: (
          <View className="flex-row gap-3">
            <Button label={say('fix.next')} onPress={() => setLooking(finding.ranking[(at + 1) % finding.ranking.length]?.sheetId ?? null)} />
            <Button label={say(chosen ? 'fix.used' : 'fix.use')} tone="act" grow disabled={chosen} onPress={use} />
          </View>
        ),
      }}
    />
  );
}

/** A finding as it is called: what it is, and its letter. */
const labelOf = ({ data }: JobView, findingId: string): string => {
  const found = data.finding[findingId];
  return found ? `${say(`walk.kinds.${planKind(found)}`)} ${found.label}` : '';
};

function Head({ view, finding, ranked, sheet }: { view: JobView; finding: FindingPlan; ranked: Ranked; sheet: Sheet }) {
  const fit = finding.ranking.filter(({ verdict }) => verdict !== 'no').length;
  const quantities = finding.chosen?.sheetId === sheet.id ? finding.chosen.quantities : null;
  return (
    <View className="gap-1">
      <Answer size="number">{sheet.name}</Answer>
      {ranked.verdict === 'no' ? (
        <T as="lead" tone="stop">
          {say('fix.leadRefused')}
        </T>
      ) : (
        <T as="lead">
          {quantities
            ? say('fix.lead', {
                bags: bagsText(quantities.bags.p50),
                low: bagsText(quantities.bags.p10, true),
                high: bagsText(quantities.bags.p90, true),
                cost: printFigure('c_minor', quantities.chosen.cost_minor),
                place: finding.ranking.indexOf(ranked) + 1,
                fit,
              })
            : say('fix.noneLead', { yes: fit, all: view.input.sheets.length })}
        </T>
      )}
    </View>
  );
}

/** The whole shelf for this spall in its order; a tap shows why. */
function ShelfFor({ finding, view, currentId, onLook }: { finding: FindingPlan; view: JobView; currentId: string; onLook: (sheetId: string) => void }) {
  return (
    <View className="gap-2">
      <T as="h2">{say('fix.others')}</T>
      {finding.ranking.map((ranked) => {
        const sheet = view.input.sheets.find(({ id }) => id === ranked.sheetId);
        const why = ranked.reasons.find(({ verdict }) => verdict === ranked.verdict && verdict !== 'yes');
        return (
          <Pressable
            key={ranked.sheetId}
            role="button"
            aria-current={ranked.sheetId === currentId ? 'true' : undefined}
            onPress={() => onLook(ranked.sheetId)}
            className={`min-h-[64px] justify-center border-l-4 bg-sheet px-3 py-2 ${ranked.sheetId === currentId ? 'border-act' : 'border-line'}`}
          >
            <View className="flex-row justify-between gap-2">
              <T as="strong" className="flex-1">
                {sheet?.name}
              </T>
              <T as="faint">{ranked.cost_minor === null ? '' : printFigure('c_minor', ranked.cost_minor)}</T>
            </View>
            <T
              {...(TONE[ranked.verdict] ? { tone: TONE[ranked.verdict] } : { as: 'faint' as const })}
            >{`${MARK[ranked.verdict]}${why ? sayReason(why) : say('fix.yes')}`}</T>
          </Pressable>
        );
      })}
    </View>
  );
}

function LayersTable({ sheet, finding, view }: { sheet: Sheet; finding: FindingPlan; view: JobView }) {
  const element = view.input.elements.find(({ id }) => id === finding.elementId);
  const lifts = Math.max(1, Math.ceil(finding.takeOff.deepest_m / sheet.thickness.liftMost_m - 1e-9));
  const rows: string[][] = Array.from({ length: lifts }, (_, i) => [
    `${say('fix.liftN', { n: lifts - i })}: ${sheet.name}`,
    printFigure('d_m', finding.takeOff.deepest_m / lifts),
  ]);
  if (sheet.bond === 'slurry') rows.push([say('fix.bond'), printFigure('d_m', 0.001)]);
  rows.push([`${say('fix.surface')}, ${printFigure('wants', sheet.moisture)}`, element ? printFigure('d_m', element.thickness.value) : '']);
  return <Table caption={say('fix.table')} columns={[say('fix.layer'), say('fix.thickness')]} rows={rows} />;
}
