import { assemblePlanInput } from '@tufa/contract/assemble';
import type { FirmData } from '@tufa/contract/entities';
import {
  computePlan,
  drawnMishaps,
  rehearsalOf,
  visitOf,
  type MishapCode,
  type Plan,
  type PlanInput,
  type RehearsalOutcome,
  type RehearsedVisit,
} from '@tufa/core/plan';
import { Problem } from '@tufa/core/quantity';
import { say } from '@tufa/words';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { v7 as uuid } from 'uuid';
import { links } from '../links';
import { change, useFirm, useFirmWith, write } from '../outbox/useFirm';
import { usePerson } from '../outbox/session';
import { Screen } from '../parts/chrome/Screen';
import { now } from '../parts/phone/clock';
import { useSpeaker } from '../parts/phone/speaker';
import { Button } from '../parts/ui/Button';
import { Answer, T } from '../parts/ui/T';
import { doneBefore } from './doneBefore';
import { OutcomeView } from './OutcomeView';
import { Playing } from './Playing';
import { practiceView } from './practiceView';
import { Rehearsing } from './Rehearsing';
import { SCENARIOS } from './scenarios';
import { triesOf } from './triesOf';
import { dayOfJob, worldOf } from './world';

/** What is rehearsed: a scenario, or a job's own day. */
interface Rehearsed {
  readonly code: string;
  readonly title: string;
  readonly lead: string;
  readonly jobId: string;
  readonly codes: readonly MishapCode[];
  readonly luck: number;
  readonly seed: number;
  readonly begins_ms: number;
  readonly data: FirmData | null;
}

/** Of a day of one's own so much goes wrong. */
const MISHAPS_OF_OWN = 2;

const todayAt = (time: string): number => {
  const [hours = 9, minutes = 0] = time.split(':').map(Number);
  return new Date(now()).setHours(hours, minutes, 0, 0);
};

/** A number of one's own for each rehearsal and try, so that none is played twice. */
const seedOf = (code: string, tries: number): number => 1 + tries * 7919 + [...code].reduce((sum, letter) => (sum * 31 + letter.charCodeAt(0)) % 99_991, 7);

/** One of the twelve. */
export function ScenarioScreen() {
  const speaker = useSpeaker();
  const { scenario: code = '' } = useLocalSearchParams<{ scenario: string }>();
  const firm = useFirm();
  const person = usePerson();
  const scenario = SCENARIOS.find((each) => each.code === code);
  const tries = triesOf(firm.data, person?.id, code).length;
  const [begins_ms] = useState(() => todayAt(scenario?.begins ?? '09:00'));
  const { ready } = firm;
  // The world is made once: what the firm gets meanwhile changes no rehearsal.
  const [data, setData] = useState<FirmData | null>(null);
  if (!data && scenario && ready) setData(worldOf(firm.data, scenario, begins_ms));
  if (!scenario) return <Nothing title={say(speaker, 'rehearse.title')} why={say(speaker, 'rehearse.unknown')} />;
  return (
    <Rehearse
      of={{
        code,
        title: say(speaker, `rehearse.scenario.${scenario.code}.title`),
        lead: say(speaker, `rehearse.scenario.${scenario.code}.lead`),
        jobId: scenario.job,
        codes: scenario.mishaps,
        luck: scenario.luck,
        seed: seedOf(code, tries),
        begins_ms,
        data,
      }}
    />
  );
}

/** A job's own planned day. */
export function RehearseJobScreen() {
  const speaker = useSpeaker();
  const { job: jobId = '' } = useLocalSearchParams<{ job: string }>();
  const firm = useFirmWith(jobId);
  const person = usePerson();
  const job = firm.data.job[jobId];
  const tries = triesOf(firm.data, person?.id, jobId).length;
  const seed = seedOf(jobId, tries);
  const [begins_ms] = useState(() => todayAt('09:00'));
  const [data, setData] = useState<FirmData | null>(null);
  if (!data && job && firm.ready) setData(dayOfJob(firm.data, jobId));
  if (firm.ready && !job) return <Nothing title={say(speaker, 'rehearse.title')} why={say(speaker, 'state.notFound')} />;
  return (
    <Rehearse
      of={{
        code: jobId,
        title: say(speaker, 'rehearse.yours', { name: job?.name ?? '' }),
        lead: say(speaker, 'rehearse.yoursLead'),
        jobId,
        codes: drawnMishaps(MISHAPS_OF_OWN, seed),
        luck: 1,
        seed,
        begins_ms: job?.pourOn ? todayAt(job.pourOn.slice(11, 16)) : begins_ms,
        data,
      }}
    />
  );
}

function Nothing({ title, why }: { title: string; why: string }) {
  return (
    <Screen title={title} head={<Answer size="number">{title}</Answer>}>
      <T as="lead">{why}</T>
    </Screen>
  );
}

/** A job with its plan; null where nothing can be planned: its own screens say why. */
function plannedIn(data: FirmData, jobId: string): { readonly input: PlanInput; readonly plan: Plan } | null {
  const input = assemblePlanInput(data, jobId);
  try {
    return input && { input, plan: computePlan(input, { ranked: 'chosen' }) };
  } catch (error) {
    if (error instanceof Problem) return null;
    throw error;
  }
}

/** What it is about, then the pour, then how it went. */
function Rehearse({ of }: { of: Rehearsed }) {
  const speaker = useSpeaker();
  const router = useRouter();
  const person = usePerson();
  const [playing, setPlaying] = useState<{ readonly rehearsing: Rehearsing; readonly visit: RehearsedVisit; readonly seed: number } | null>(null);
  const [came, setCame] = useState<{ readonly outcome: RehearsalOutcome; readonly whole: boolean } | null>(null);
  const { data, jobId } = of;
  const planned = useMemo(() => (data ? plannedIn(data, jobId) : null), [data, jobId]);
  const others = (): void => router.replace(links.rehearse());
  if (!data || !planned) return <Nothing title={of.title} why={say(speaker, data ? 'rehearse.none' : 'state.loading')} />;
  const { input, plan } = planned;
  const visit = visitOf(input, plan);
  const begin = async (): Promise<void> => {
    if (!person) return;
    const setup = rehearsalOf({ input, plan, codes: of.codes, luck: of.luck, seed: of.seed });
    const rehearsing = new Rehearsing(data, setup, of.begins_ms);
    await doneBefore({ rehearsing, visit, view: (rows) => practiceView(rows, jobId), person: person.id });
    setCame(null);
    setPlaying({ rehearsing, visit, seed: of.seed });
  };
  const end = (outcome: RehearsalOutcome, whole: boolean): void => {
    const { seed = 0 } = playing ?? {};
    setPlaying(null);
    if (outcome.started > 0) setCame({ outcome, whole });
    // What was broken off says nothing of whoever played it.
    if (!whole || !person) return;
    const { started, lost, wasted_s } = outcome;
    void write(
      change('rehearsal', 'add', uuid(), { person: person.id, scenario: of.code, seed, started, lost, wasted_s, endedAt: new Date(now()).toISOString() }),
    );
  };
  if (playing) return <Playing key={playing.seed} jobId={jobId} rehearsing={playing.rehearsing} visit={playing.visit} onEnd={end} />;
  if (came) return <OutcomeView title={of.title} {...came} begins_ms={of.begins_ms} onAgain={() => void begin()} onOthers={others} />;
  const { air_C, slab_C } = input.conditions;
  const count = plan.batches.filter(({ number, window }) => window && visit.numbers.has(number)).length;
  return (
    <Screen
      title={of.title}
      head={
        <View className="gap-1">
          <Answer size="number">{of.title}</Answer>
          <T as="lead">{of.lead}</T>
        </View>
      }
      foot={
        <View className="gap-3">
          {count > 0 ? <Button label={say(speaker, 'rehearse.begin')} tone="act" big onPress={() => void begin()} testID="begin-rehearsal" /> : null}
          <Button label={say(speaker, 'rehearse.outcome.others')} onPress={others} />
        </View>
      }
    >
      {count > 0 ? (
        <>
          <T as="strong">
            {[
              say(speaker, 'rehearse.brief.hands', { count: input.crew.hands }),
              say(speaker, 'rehearse.brief.batches', { count }),
              say(speaker, 'rehearse.brief.air', { air_C: air_C.value, slab_C: slab_C.value }),
            ].join(', ')}
          </T>
          <T>{say(speaker, 'rehearse.how')}</T>
        </>
      ) : (
        <T>{say(speaker, 'rehearse.none')}</T>
      )}
    </Screen>
  );
}
