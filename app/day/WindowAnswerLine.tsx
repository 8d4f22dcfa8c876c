import type { WindowAnswer } from '@tufa/core/plan';
import type { Sheet } from '@tufa/core/shelf';
import { say, printFigure } from '@tufa/words';
import { View } from 'react-native';
import { Answer, T } from '../parts/ui/T';
import { sayChance } from './quantityText';
import type { Speaker } from '@tufa/words/speak';
import { useSpeaker } from '../parts/phone/speaker';

const minutes = (speaker: Speaker, time_s: number): string => printFigure(speaker, 't_s', time_s);

/** The minutes to place and to finish, what the sheet says, the chance at the limit, and what ends it. */
export function WindowAnswerLine({ answer, sheet, chance }: { answer: WindowAnswer; sheet: Sheet; chance: number }) {
  const speaker = useSpeaker();
  const { window } = answer;
  return (
    <View className="gap-1">
      <Answer after={say(speaker, 'day.title')}>{minutes(speaker, window.placeBy_s)}</Answer>
      <T as="lead">
        {say(speaker, 'day.lead', {
          finish: minutes(speaker, window.finishBy_s),
          flow: minutes(speaker, Math.sqrt(sheet.flow.least_s * sheet.flow.most_s)),
          tool: minutes(speaker, Math.sqrt(sheet.finish.least_s * sheet.finish.most_s)),
          reference: printFigure(speaker, 't_C', sheet.reference_C),
          chance: sayChance(speaker, chance),
        })}
      </T>
    </View>
  );
}

/** What the crew needs of the window, and whether it fits. */
export function Needs({ answer }: { answer: WindowAnswer }) {
  const speaker = useSpeaker();
  const { window } = answer;
  return (
    <T {...(window.fits ? {} : { tone: 'stop' as const })}>
      {`${say(speaker, 'day.needs', { place: minutes(speaker, window.placeNeeds_s), finish: minutes(speaker, window.finishNeeds_s) })} ${say(speaker, window.fits ? 'day.fits' : 'day.doesNotFit')}`}
    </T>
  );
}
