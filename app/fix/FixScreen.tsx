import type { Ranked } from '@tufa/core/choose';
import { ReadUnless } from '../parts/phone/rights';
import { filledTakeOff, rankingOf, sectionLayers, sectionOf, stoppedIn, type FindingPlan, type PlanInput, type SystemSection, prepared } from '@tufa/core/plan';
import { Problem } from '@tufa/core/quantity';
import type { Sheet } from '@tufa/core/shelf';
import { printFigure, say, sayCoded, sayReason } from '@tufa/words';
import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { change, write } from '../outbox/useFirm';
import { Button, Word } from '../parts/ui/Button';
import { Cautions } from '../parts/job/Cautions';
import { Table } from '../parts/ui/Lines';
import { Sheet as Panel } from '../parts/ui/Sheet';
import { nothingYet, StepLayout, StepScreen } from '../parts/job/StepScreen';
import { stopOf } from '../parts/job/stopOf';
import { Answer, T } from '../parts/ui/T';
import type { JobView } from '../parts/job/useJob';
import { useWide } from '../parts/phone/useSize';
import { needText } from '../mix/needText';
import { HouseMethodView } from '../firm/HouseMethodView';
import { findingName } from '@tufa/words/findingName';
import { CutList } from './CutList';
import { KitList } from './KitList';
import { NewerSheets } from './NewerSheets';
import { SectionView } from './SectionView';
import { LayersChoice } from './LayersChoice';
import { ReasonList } from './ReasonList';
import { ShelfFor } from './ShelfFor';
import { StepList, stepsOfSystem } from './StepList';
import { whole } from './money';
import { writeTreatments } from './writeTreatment';
import { useSpeaker } from '../parts/phone/speaker';
import { links } from '../links';
import { sheetOf } from '@tufa/core/plan';

export const FixScreen = () => <StepScreen step="fix">{(view) => <Fix key={view.job.id} view={view} />}</StepScreen>;

/** The shelf against a finding, or what keeps it from being judged. */
function judged(input: PlanInput, findingId: string | undefined): { ranking: readonly Ranked[]; problem: Problem | null } {
  try {
    return { ranking: findingId ? rankingOf(input, findingId) : [], problem: null };
  } catch (error) {
    if (error instanceof Problem) return { ranking: [], problem: error };
    throw error;
  }
}

/** The system and why; the section to scale; the next best and why not another one. */
function Fix({ view }: { view: JobView }) {
  const speaker = useSpeaker();
  const router = useRouter();
  const [findingId, setFindingId] = useState<string | null>(null);
  const [looking, setLooking] = useState<string | null>(null);
  const [asking, setAsking] = useState(false);
  const wide = useWide();
  const stopped = stoppedIn(view.plan?.elements ?? []);
  const findings = (view.plan?.findings ?? []).filter(({ elementId }) => !stopped.has(elementId));
  const planned = findings.find((finding) => finding.findingId === findingId) ?? view.finding ?? findings[0];
  // The shelf is judged for the finding that is looked at, and for no other.
  const shelved = useMemo(() => judged(view.input, planned?.findingId), [view.input, planned?.findingId]);
  const broken = shelved.problem ? { ...view, plan: null, problem: shelved.problem } : view;
  const stop = stopOf(speaker, 'fix', broken, () => router.replace(links.step(view.job.id, 'walk')));
  if (stop) return stop;
  const finding = planned ? { ...planned, ranking: shelved.ranking } : undefined;
  if (!finding)
    return (
      <StepLayout
        step="fix"
        view={view}
        parts={nothingYet({
          title: say(speaker, 'fix.noFinding'),
          lead: say(speaker, 'fix.noFindingLead'),
          label: say(speaker, 'step.walk'),
          onPress: () => router.replace(links.step(view.job.id, 'walk')),
        })}
      />
    );

  const chosenId = finding.chosen?.sheetId ?? view.input.treatments.find((treatment) => treatment.findingId === finding.findingId)?.sheetId ?? null;
  const ranked = finding.ranking.find(({ sheetId }) => sheetId === (looking ?? chosenId)) ?? finding.ranking[0];
  const sheet = sheetOf(view.input, ranked?.sheetId);
  if (!ranked || !sheet) return null;
  const at = finding.ranking.indexOf(ranked);
  const current = view.input.treatments.find((treatment) => treatment.findingId === finding.findingId);
  const use = (): void => {
    setLooking(null);
    void writeTreatments(view, [{ ...current, findingId: finding.findingId, sheetId: sheet.id }]);
  };
  const chosen = chosenId === sheet.id;
  const element = view.input.elements.find(({ id }) => id === finding.elementId);
  const found = view.input.findings.find(({ id }) => id === finding.findingId);
  const input = prepared(view.input);
  const section =
    element && found
      ? sectionOf({
          input,
          element,
          finding: found,
          takeOff: filledTakeOff({ input, finding: found, takeOff: finding.takeOff, sheet }),
          sheet,
          treatment: chosen ? current : undefined,
        })
      : null;
  const shelf = (
    <ShelfFor
      ranking={finding.ranking}
      view={view}
      currentId={sheet.id}
      onLook={(sheetId) => {
        setLooking(sheetId);
        setAsking(false);
      }}
    />
  );
  const chosenSheet = sheetOf(view.input, chosenId);
  return (
    <StepLayout
      step="fix"
      view={view}
      parts={{
        head: (
          <View className="gap-1">
            <Head view={view} finding={finding} ranked={ranked} sheet={sheet} />
            {chosenSheet && !chosen ? (
              <View className="-ml-2 flex-row">
                <Word label={say(speaker, 'fix.back', { name: chosenSheet.name })} onPress={() => setLooking(null)} />
              </View>
            ) : null}
          </View>
        ),
        body: (
          <View className="gap-4">
            {findings.length > 1 ? (
              <View className="flex-row flex-wrap gap-2">
                {findings.map((plan) => (
                  <Button
                    key={plan.findingId}
                    label={findingName(speaker, view.data, plan.findingId)}
                    tone={plan.findingId === finding.findingId ? 'dark' : 'plain'}
                    onPress={() => {
                      setFindingId(plan.findingId);
                      setLooking(null);
                    }}
                  />
                ))}
              </View>
            ) : null}
            <Stopped plan={view.plan} />
            {chosen && current ? <NewerSheets view={view} treatment={current} /> : null}
            {section ? <SectionView section={section} /> : null}
            <ReasonList key={ranked.sheetId} reasons={ranked.reasons} />
            {finding.chosen && chosen && element && found && current ? (
              <ReadUnless may="treatment.change">
                <LayersChoice view={view} element={element} finding={found} sheet={sheet} chosen={finding.chosen} treatment={current} />
              </ReadUnless>
            ) : null}
            {finding.chosen && chosen ? <StepList steps={stepsOfSystem(finding.chosen)} names={[...view.input.sheets, ...(view.input.aids ?? [])]} /> : null}
            {section ? <LayersTable section={section} /> : null}
            {finding.takeOff.strips.length > 0 ? <CutList takeOff={finding.takeOff} /> : null}
            <Button label={say(speaker, 'why.open')} onPress={() => router.push(links.why(view.job.id))} />
            <Button label={say(speaker, 'systems.open')} onPress={() => router.push(links.systems(view.job.id))} />
            <KitList view={view} />
            <ReadUnless may="job.change">
              <HouseMethodView
                told={view.job.house ?? {}}
                firm={view.input.firm.house ?? {}}
                onChange={(house) => void write(change('job', 'change', view.job.id, { house }))}
              />
            </ReadUnless>
            {view.plan ? <Cautions screen="fix" input={view.input} plan={view.plan} view={view} /> : null}
          </View>
        ),
        aside: wide ? (
          <>
            <T as="h2">{say(speaker, 'fix.others')}</T>
            {shelf}
          </>
        ) : undefined,
        foot: (
          <View className="flex-row flex-wrap gap-2">
            <Button label={say(speaker, 'fix.next')} onPress={() => setLooking(finding.ranking[(at + 1) % finding.ranking.length]?.sheetId ?? null)} />
            {wide ? null : <Button label={say(speaker, 'fix.whyNot')} onPress={() => setAsking(true)} />}
            <View className="min-w-[104px] flex-1">
              <Button
                writes="treatment.change"
                label={say(speaker, chosen ? 'fix.used' : ranked.verdict === 'no' ? 'fix.useRefused' : 'fix.use')}
                tone={ranked.verdict === 'no' ? 'stop' : 'act'}
                disabled={chosen}
                onPress={use}
              />
            </View>
            {asking && !wide ? (
              <Panel title={say(speaker, 'fix.others')} onClose={() => setAsking(false)}>
                {shelf}
              </Panel>
            ) : null}
          </View>
        ),
      }}
    />
  );
}

/** What of the job is stopped while the rest goes on. */
function Stopped({ plan }: { plan: JobView['plan'] }) {
  const speaker = useSpeaker();
  const stopped = plan?.warnings.filter(({ code }) => code === 'element.stopped') ?? [];
  return stopped.map((warning, i) => (
    <View key={i} role="alert" className="bg-stop-fill p-3">
      <T as="strong" tone="stop">
        {sayReason(speaker, warning)}
      </T>
    </View>
  ));
}

function Head({ view, finding, ranked, sheet }: { view: JobView; finding: FindingPlan; ranked: Ranked; sheet: Sheet }) {
  const speaker = useSpeaker();
  const fit = finding.ranking.filter(({ verdict }) => verdict !== 'no').length;
  const quantities = finding.chosen?.sheetId === sheet.id ? finding.chosen.quantities : null;
  return (
    <View className="gap-1">
      <Answer size="number">{sheet.name}</Answer>
      {ranked.verdict === 'no' ? (
        <T as="lead" tone="stop">
          {say(speaker, 'fix.leadRefused')}
        </T>
      ) : (
        <T as="lead">
          {quantities
            ? say(speaker, 'fix.lead', {
                ...needText(speaker, quantities, sheet.water !== null),
                hand_s: ranked.hand_s ?? 0,
                hands: String(view.input.crew.hands),
                cost_minor: whole(ranked.cost_minor ?? 0),
                place: finding.ranking.indexOf(ranked) + 1,
                fit,
              })
            : say(speaker, 'fix.noneLead', { yes: fit, all: view.input.sheets.length })}
        </T>
      )}
    </View>
  );
}

/** The section as a table, from the top down. */
function LayersTable({ section }: { section: SystemSection }) {
  const speaker = useSpeaker();
  const rows = sectionLayers(section).map(({ code, figures, thickness_m }) => [
    sayCoded(speaker, code, figures),
    thickness_m === null ? '' : printFigure(speaker, 'd_m', thickness_m),
  ]);
  return <Table caption={say(speaker, 'fix.table')} columns={[say(speaker, 'fix.layer'), say(speaker, 'fix.thickness')]} rows={rows} />;
}
