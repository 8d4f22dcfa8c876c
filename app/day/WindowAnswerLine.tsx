import type { WindowAnswer } from '@tufa/core/plan';
import type { Sheet } from '@tufa/core/shelf';
import { say, printFigure } from '@tufa/words';
import { View } from 'react-native';
import { Answer, T } from '../parts/ui/T';
import { sayChance } from './quantityText';

const minutes = (time_s: number): string => printFigure('t_s', time_s);

/** The minutes to place and to finish, what the sheet says, the chance at the limit, and what ends it. */
export function WindowAnswerLine({ answer, sheet, chance }: { answer: WindowAnswer; sheet: Sheet; chance: number }) {
  const { window } = answer;
  return (
    <View className="gap-1">
      <Answer after={say('day.title')}>{minutes(window.placeBy_s)}</Answer>
      <T as="lead">
        {say('day.lead', {
          finish: minutes(window.finishBy_s),
          flow: minutes(Math.sqrt(sheet.flow.least_s * sheet.flow.most_s)),
          tool: minutes(Math.sqrt(sheet.finish.least_s * sheet.finish.most_s)),
          reference: printFigure('t_C', sheet.reference_C),
          chance: sayChance(chance),
        })}
      </T>
    </View>
  );
}

/** What the crew needs of the window, and whether it fits. */
export function Needs({ answer }: { answer: WindowAnswer }) {
  const { window } = answer;
  return (
    <T {...(window.fits ? {} : { tone: 'stop' as const })}>
      {`${say('day.needs', { place: minutes(window.placeNeeds_s), finish: minutes(window.finishNeeds_s) })} ${say(window.fits ? 'day.fits' : 'day.doesNotFit')}`}
    </T>
  );
}
