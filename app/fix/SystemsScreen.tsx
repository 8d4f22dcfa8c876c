import {
  bestTreatments,
  decide,
  suggestedSystems,
  SYSTEM_CODES,
  type SystemCode,
  type SystemInput,
  type SystemOutcome,
  type TreatmentInput,
} from '@tufa/core/plan';
import type { FindingFields } from '@tufa/contract/entities';
import { phaseOf } from '@tufa/core/survey';
import { say, sayCoded } from '@tufa/words';
import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { change, write } from '../outbox/useFirm';
import { Button } from '../parts/ui/Button';
import { Choice, Several } from '../parts/ui/Choice';
import { StepLayout, StepScreen } from '../parts/job/StepScreen';
import { stopOf } from '../parts/job/stopOf';
import { Answer, T } from '../parts/ui/T';
import type { JobView } from '../parts/job/useJob';
import { AgreedPrice } from './AgreedPrice';
import { whole } from './money';
import { OwnSystem } from './OwnSystem';
import { SystemsCompared } from './SystemsCompared';
import { SYSTEM_NUMBERS, systemName } from './systemName';
import { useOutcomes, useBestPlan } from './useSystems';
import { writeTreatments } from './writeTreatment';
import type { Speaker } from '@tufa/words/speak';
import { useSpeaker } from '../parts/phone/speaker';
import { links } from '../links';

const MOST = 4;
/** What is done all at once or bit by bit is compared with nothing but itself: the other systems leave out what waits. */
const PHASED: readonly SystemCode[] = ['now', 'phases'];
type Scope = 'systems' | 'phases';

/** Two to four ways of doing the job side by side: what each costs in the whole, when it opens, what decides. */
export const SystemsScreen = () => <StepScreen step="fix">{(view) => <Systems key={view.job.id} view={view} />}</StepScreen>;

function Systems({ view }: { view: JobView }) {
  const speaker = useSpeaker();
  const router = useRouter();
  const { input } = view;
  const { plan, failed: unplanned } = useBestPlan(view);
  const suggested = useMemo(() => (plan ? suggestedSystems(input, plan) : []), [input, plan]);
  const [codes, setCodes] = useState<readonly SystemCode[] | null>(null);
  const [chosenTreatments, setChosenTreatments] = useState<readonly TreatmentInput[] | null>(null);
  const [tooMany, setTooMany] = useState(false);
  const [scope, setScope] = useState<Scope>('systems');
  const waits = suggested.some(({ code }) => code === 'phases');
  const all = useMemo(
    (): SystemInput[] =>
      [...suggested, { code: 'own' as const, treatments: chosenTreatments ?? (plan ? bestTreatments(input, plan) : []) }].filter(
        ({ code }) => PHASED.includes(code) === (scope === 'phases'),
      ),
    [suggested, chosenTreatments, input, plan, scope],
  );
  // The comparison is asked anew whenever these are other ones.
  const shown = useMemo(() => codes ?? all.filter(({ code }) => code !== 'own').map(({ code }) => code), [codes, all]);
  const systems = useMemo(() => SYSTEM_CODES.flatMap((code) => all.filter((system) => system.code === code && shown.includes(code))), [all, shown]);
  const { outcomes, failed: incomparable } = useOutcomes(view, systems);
  const failed = unplanned || incomparable;
  const stop = stopOf(speaker, 'fix', view, () => router.replace(links.step(view.job.id, 'walk')));
  if (stop) return stop;
  const decision = outcomes ? decide(outcomes, view.input.firm.acceptedChance) : null;
  const toFix = (): void => router.navigate(links.step(view.job.id, 'fix'));
  return (
    <StepLayout
      step="fix"
      view={view}
      parts={{
        head: (
          <View className="gap-1">
            <Answer size="number">
              {decision && outcomes
                ? say(speaker, 'systems.says', { number: SYSTEM_NUMBERS[decision.winner]!, what: systemName(speaker, outcomes[decision.winner]!.code) })
                : say(speaker, 'systems.title')}
            </Answer>
            <T as="lead">
              {(view.plan?.findings.length ?? 0) === 0
                ? say(speaker, 'systems.none')
                : plan && systems.length < 2
                  ? say(speaker, 'systems.few')
                  : decision && outcomes
                    ? leadOf(speaker, decision, outcomes)
                    : say(speaker, failed ? 'systems.failed' : 'systems.working')}
            </T>
          </View>
        ),
        body: (
          <View className="gap-4">
            {outcomes ? <SystemsCompared view={view} systems={systems} outcomes={outcomes} decision={decision} /> : null}
            <AgreedPrice view={view} />
            {waits ? (
              <Choice
                label={say(speaker, 'systems.scope.label')}
                options={(['systems', 'phases'] as const).map((value) => ({ value, label: say(speaker, `systems.scope.${value}`) }))}
                value={scope}
                onChange={(next) => {
                  setScope(next);
                  setCodes(null);
                }}
              />
            ) : null}
            {plan ? (
              <Several
                label={say(speaker, 'systems.which')}
                options={all.map(({ code }) => ({ value: code, label: systemName(speaker, code) }))}
                values={shown}
                onChange={(next) => {
                  setTooMany(next.length > MOST);
                  if (next.length <= MOST) setCodes(next);
                }}
              />
            ) : null}
            {tooMany ? <T tone="caution">{say(speaker, 'systems.many')}</T> : null}
            {plan && shown.includes('own') ? (
              <OwnSystem view={view} plan={plan} treatments={chosenTreatments ?? bestTreatments(input, plan)} onChange={setChosenTreatments} />
            ) : null}
          </View>
        ),
        foot: (
          <View className="flex-row gap-3">
            <Button label={say(speaker, 'step.fix')} onPress={toFix} />
            {decision && outcomes ? <UseIt view={view} system={systems[decision.winner]!} onUsed={toFix} /> : null}
          </View>
        ),
      }}
    />
  );
}

function leadOf(speaker: Speaker, { winner, code, figures }: ReturnType<typeof decide>, outcomes: readonly SystemOutcome[]): string {
  const name = systemName(speaker, outcomes[winner]!.code);
  const trips = typeof figures['trips'] === 'number' ? figures['trips'] : 0;
  return code === 'trips'
    ? sayCoded(speaker, 'systems.lead.trips', { name, count: trips })
    : sayCoded(speaker, `systems.lead.${code}`, {
        name,
        ...figures,
        ...(typeof figures['difference_minor'] === 'number' ? { difference_minor: whole(figures['difference_minor']) } : {}),
      });
}

/** Takes a system for the plan; a replacement is nothing that Tufa mixes. */
function UseIt({ view, system, onUsed }: { view: JobView; system: SystemInput; onUsed: () => void }) {
  const speaker = useSpeaker();
  const same = system.treatments.every(({ findingId, sheetId }) =>
    view.input.treatments.some((treatment) => treatment.findingId === findingId && treatment.sheetId === sheetId),
  );
  const nothing = system.code === 'replace' || system.treatments.length === 0;
  // All of it now: what was put off is done with the rest. What a finding says goes with its kind, by which it is checked.
  const waiting = system.code === 'now' ? view.input.findings.filter((finding) => phaseOf(finding) !== 'now') : [];
  const use = async (): Promise<void> => {
    await writeTreatments(view, system.treatments);
    const rows = waiting.flatMap(({ id }) => view.data.finding[id] ?? []);
    if (rows.length > 0)
      await write(
        ...rows.map(({ id, kind, properties }) =>
          change('finding', 'change', id, { kind, properties: { ...properties, phase: 'now' } } as Partial<FindingFields>),
        ),
      );
    onUsed();
  };
  return (
    <Button
      writes="treatment.change"
      label={same && waiting.length === 0 && !nothing ? say(speaker, 'systems.used') : say(speaker, 'systems.use', { name: systemName(speaker, system.code) })}
      tone="act"
      grow
      disabled={(same && waiting.length === 0) || nothing}
      onPress={() => void use()}
    />
  );
}
