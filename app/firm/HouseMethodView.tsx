import { DEFAULT_HOUSE, HOUSE_QUESTIONS, type HouseMethod, type HouseQuestion } from '@tufa/core/choose';
import { say, sayCoded } from '@tufa/words';
import { useState } from 'react';
import { View } from 'react-native';
import { Button } from '../parts/ui/Button';
import { Choice } from '../parts/ui/Choice';
import { T } from '../parts/ui/T';
import { useSpeaker } from '../parts/phone/speaker';

const AS_FIRM = 'asFirm';

/** The schools of a firm, or of one job over its firm's: what is set, what Tufa would do and why. */
export function HouseMethodView({
  told,
  firm,
  onChange,
}: {
  told: Partial<HouseMethod>;
  /** what stands where a job sets nothing; absent for the firm itself */
  firm?: Partial<HouseMethod> | undefined;
  onChange: (house: Partial<HouseMethod>) => void;
}) {
  const speaker = useSpeaker();
  const [open, setOpen] = useState(false);
  const job = firm !== undefined;
  const stands: HouseMethod = { ...DEFAULT_HOUSE, ...firm, ...told };
  const questions = Object.keys(HOUSE_QUESTIONS) as HouseQuestion[];
  const set = (question: HouseQuestion, school: string): void => {
    const { [question]: _before, ...others } = told;
    const back = school === AS_FIRM || (!job && school === DEFAULT_HOUSE[question]);
    onChange(back ? others : { ...others, [question]: school });
  };
  const word = (question: HouseQuestion, school: string): string => sayCoded(speaker, `house.${question}.${school}`);
  return (
    <View className="gap-2" testID="house-method">
      <T as="h2">{say(speaker, job ? 'house.ofJob' : 'house.title')}</T>
      <T as="faint">{say(speaker, job ? 'house.jobLead' : 'house.lead')}</T>
      {open ? (
        questions.map((question) => (
          <View key={question} className="gap-1 border-b border-line pb-3">
            <Choice
              label={say(speaker, `house.${question}.label`)}
              options={[
                ...(job
                  ? [{ value: AS_FIRM as string, label: `${say(speaker, 'house.asFirm')}: ${word(question, { ...DEFAULT_HOUSE, ...firm }[question])}` }]
                  : []),
                ...HOUSE_QUESTIONS[question].map((school) => ({ value: school as string, label: word(question, school) })),
              ]}
              value={job ? (told[question] ?? AS_FIRM) : stands[question]}
              onChange={(school) => set(question, school)}
            />
            <T as="small">{say(speaker, 'house.own', { why: say(speaker, `house.${question}.why`) })}</T>
          </View>
        ))
      ) : (
        <View role="list" aria-label={say(speaker, 'house.title')}>
          {questions
            .filter((question) => !job || told[question] !== undefined)
            .map((question) => (
              <View key={question} role="listitem" className="flex-row justify-between gap-4 border-b border-line py-2">
                <T as="strong" className="max-w-[46%]">
                  {say(speaker, `house.${question}.label`)}
                </T>
                <T as="faint" className="flex-1 text-right">
                  {word(question, stands[question])}
                </T>
              </View>
            ))}
        </View>
      )}
      <Button
        label={say(speaker, open ? 'house.close' : 'house.open')}
        hint={`${say(speaker, open ? 'house.close' : 'house.open')}: ${say(speaker, 'house.title')}`}
        onPress={() => setOpen(!open)}
      />
    </View>
  );
}
