import type { RowOf } from '@tufa/contract/entities';
import { ReadUnless } from '../parts/phone/rights';
import { STOP_QUESTIONS, type Answer as StopAnswer } from '@tufa/core/survey';
import { say, sayCoded } from '@tufa/words';
import { useRef } from 'react';
import { View } from 'react-native';
import { change, write } from '../outbox/useFirm';
import { Choice } from '../parts/ui/Choice';
import { T } from '../parts/ui/T';
import { useSpeaker } from '../parts/phone/speaker';

const HELP: Partial<Record<(typeof STOP_QUESTIONS)[number], string>> = { movement: 'stop.movementHelp', carriesBuilding: 'stop.carriesHelp' };

/** How many of the five questions nobody has answered. */
export const unanswered = (element: RowOf<'element'>): number => STOP_QUESTIONS.filter((question) => element.stops[question] === undefined).length;

/** The five stop questions of one element, each saved as it is answered. */
export function StopQuestions({ element }: { element: RowOf<'element'> }) {
  const speaker = useSpeaker();
  // Two quick taps come before the first is drawn: each is written with all that were made here.
  const made = useRef<RowOf<'element'>['stops']>({});
  const answerIt = (question: (typeof STOP_QUESTIONS)[number], answer: StopAnswer): void => {
    made.current = { ...made.current, [question]: answer };
    void write(change('element', 'change', element.id, { stops: { ...element.stops, ...made.current } }));
  };
  return (
    <ReadUnless may="element.change">
      <View className="gap-4">
        {STOP_QUESTIONS.map((question) => (
          <View key={question} className="gap-1">
            <T as="strong">{say(speaker, `stop.${question}`)}</T>
            {HELP[question] ? <T as="small">{sayCoded(speaker, HELP[question])}</T> : null}
            <Choice<StopAnswer>
              label={say(speaker, `stop.${question}`)}
              labelHidden
              options={[
                { value: 'no', label: say(speaker, 'stop.no') },
                { value: 'yes', label: say(speaker, 'stop.yes') },
                { value: 'unknown', label: say(speaker, 'stop.unknown') },
              ]}
              value={element.stops[question] ?? null}
              onChange={(answer) => answerIt(question, answer)}
            />
          </View>
        ))}
      </View>
    </ReadUnless>
  );
}
