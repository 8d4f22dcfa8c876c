import type { RowOf } from '@tufa/contract/entities';
import { sheetOf, type PlanInput, type WeekOfProduct } from '@tufa/core/plan';
import { say } from '@tufa/words';
import { useState } from 'react';
import { View } from 'react-native';
import { useSpeaker } from '../parts/phone/speaker';
import { Word } from '../parts/ui/Button';
import { T } from '../parts/ui/T';
import { capital } from './localDay';
import { shareText } from './shareText';
import { minutesText, runText } from './weekText';

/** The week as a few lines of text: the good hours of each product. */
export function WeekOut({ job, input, products, today }: { job: RowOf<'job'>; input: PlanInput; products: readonly WeekOfProduct[]; today: string }) {
  const speaker = useSpeaker();
  const [copied, setCopied] = useState(false);
  const text = [
    job.name,
    ...products.flatMap(({ sheetId, runs, hours }) => [
      sheetOf(input, sheetId)?.name ?? '',
      ...(runs.length === 0
        ? [`  ${say(speaker, 'week.none')}`]
        : runs.map((run) => `  ${capital(runText(speaker, run, { zone: job.zone, today }))}: ${minutesText(speaker, run, hours[0]?.needs_s ?? 0)}`)),
    ]),
  ].join('\n');
  return (
    <View className="flex-row items-center">
      <Word label={say(speaker, 'week.text')} onPress={() => void shareText(job.name, text).then(setCopied)} />
      <View role="status">{copied ? <T as="small">{say(speaker, 'dayPlan.copied')}</T> : null}</View>
    </View>
  );
}
