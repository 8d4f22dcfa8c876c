import { cautionsOn, type Caution, type CautionScreen, type Plan, type PlanInput } from '@tufa/core/plan';
import { readingsOf } from '@tufa/contract/assemble';
import type { FirmData } from '@tufa/contract/entities';
import { say, sayCoded, type Speaker } from '@tufa/words';
import { areSigned } from '@tufa/words/signedCautions';
import { memo, useMemo, useState } from 'react';
import { v7 as uuid } from 'uuid';
import { View } from 'react-native';
import { change } from '../../outbox/useFirm';
import { usePerson } from '../../outbox/session';
import { Button, Word } from '../ui/Button';
import { T } from '../ui/T';
import { useSpeaker } from '../phone/speaker';
import type { JobView } from './useJob';

/** Who acknowledged a caution on this job, by code. */
function acknowledgedBy(data: FirmData, jobId: string): Readonly<Record<string, string>> {
  return Object.fromEntries(
    readingsOf(data, jobId)
      .filter(({ kind }) => kind === 'acknowledged')
      .map(({ subject, value }) => [subject ?? '', value.by ?? '']),
  );
}

const SCREENS: readonly CautionScreen[] = ['walk', 'fix', 'mix'];

/** Whose rows tell what is acknowledged, and where that is written. */
type Worked = Pick<JobView, 'data' | 'write' | 'now'>;

/** Cautions that must be acknowledged before a batch is started and have not been, wherever they bite. */
export function unacknowledged(context: { input: PlanInput; plan: Plan }, data: FirmData): Caution[] {
  const acknowledged = acknowledgedBy(data, context.input.job.id);
  return SCREENS.flatMap((screen) => cautionsOn(screen, context)).filter(({ acknowledge, code }) => acknowledge && !(code in acknowledged));
}

/** The cautions that bite on a screen, from the core's one table. */
export function Cautions({ screen, view, ...context }: { screen: CautionScreen; input: PlanInput; plan: Plan; view: Worked }) {
  return <CautionList cautions={cautionsOn(screen, context)} context={context} view={view} />;
}

/** A caution as it is said. */
interface Said {
  readonly code: string;
  readonly text: string;
  readonly must: boolean;
  /** who acknowledged it; null while nobody has */
  readonly by: string | null;
}

/** Cautions as a block, those that must be understood each with its button. */
export function CautionList({ cautions, context, view }: { cautions: readonly Caution[]; context: { input: PlanInput; plan: Plan }; view: Worked }) {
  const { input } = context;
  const speaker = useSpeaker();
  const [inEnglish, setInEnglish] = useState(false);
  const english = useMemo((): Speaker => ({ ...speaker, language: 'en' }), [speaker]);
  const acknowledged = acknowledgedBy(view.data, input.job.id);
  if (cautions.length === 0) return null;
  const said = cautions.map(({ code, acknowledge: must, figures }): Said => {
    const by = code in acknowledged ? (acknowledged[code] ?? '') : null;
    return { code, text: sayCoded(inEnglish ? english : speaker, `caution.${code}`, figures?.(context)), must, by };
  });
  return <Block jobId={input.job.id} said={JSON.stringify(said)} inEnglish={inEnglish} onEnglish={setInEnglish} write={view.write} now={view.now} />;
}

/** Their words as they are shown: what says the same is not drawn again. */
const Block = memo(function Block({
  jobId,
  said,
  inEnglish,
  onEnglish,
  write,
  now,
}: Pick<Worked, 'write' | 'now'> & { jobId: string; said: string; inEnglish: boolean; onEnglish: (english: boolean) => void }) {
  const speaker = useSpeaker();
  const person = usePerson();
  const acknowledge = (code: string): void =>
    void write(
      change('reading', 'add', uuid(), {
        jobId,
        elementId: null,
        findingId: null,
        kind: 'acknowledged',
        at: null,
        takenAt: new Date(now()).toISOString(),
        subject: code,
        value: { value: 1, source: 'typed', by: person?.name ?? '' },
      }),
    );
  return (
    <View className="gap-2 bg-caution-fill p-4" role="group" aria-label={say(speaker, 'caution.title')}>
      <T as="h2">{say(speaker, 'caution.title')}</T>
      {areSigned(speaker) ? null : (
        <View className="gap-1">
          <T as="small">{say(speaker, 'caution.unsigned')}</T>
          <Word label={say(speaker, inEnglish ? 'caution.translated' : 'caution.inEnglish')} onPress={() => onEnglish(!inEnglish)} />
        </View>
      )}
      {(JSON.parse(said) as Said[]).map(({ code, text, must, by }) => (
        <View key={code} className="gap-1">
          <T>{text}</T>
          {must && by !== null ? <T as="small">{say(speaker, 'caution.by', { who: by })}</T> : null}
          {must && by === null ? (
            <Button
              label={say(speaker, 'caution.understood')}
              hint={`${say(speaker, 'caution.understood')}: ${text}`}
              onPress={() => acknowledge(code)}
              testID={`ack-${code}`}
            />
          ) : null}
        </View>
      ))}
    </View>
  );
});
