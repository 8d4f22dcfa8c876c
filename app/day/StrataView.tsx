import { columnOf, strataOf, type StrataDomain, type StrataQuantity, type WindowAnswer, type WindowQuestion } from '@tufa/core/plan';
import { deepestOf, strataHandle, strataScene } from '@tufa/draw/strataScene';
import { say, printFigure } from '@tufa/words';
import { useMemo, useState } from 'react';
import { useWindowDimensions, View } from 'react-native';
import { Word } from '../parts/ui/Button';
import { Table } from '../parts/ui/Lines';
import { saveSvg } from '../parts/phone/saveSvg';
import { SceneView } from '../parts/ui/SceneView';
import { usePhone } from '../parts/phone/useSettings';
import { useSize } from '../parts/phone/useSize';
import { T } from '../parts/ui/T';
import { quantityText, sayChance, tickText } from './quantityText';
import { milestonesOf, snap, StrataSlider } from './StrataSlider';
import { useSpeaker } from '../parts/phone/speaker';

/** The strata: its bands across one quantity, the handle over them, the table behind them. */
export function StrataView({
  question,
  quantity,
  value,
  domain,
  ghost,
  answer,
  onChange,
}: {
  question: WindowQuestion;
  quantity: StrataQuantity;
  /** the value as it stands under the thumb; the question may follow a frame later */
  value: number;
  domain: StrataDomain;
  ghost: number | null;
  answer: WindowAnswer;
  onChange: (value: number) => void;
}) {
  const speaker = useSpeaker();
  const { size, onLayout } = useSize();
  const { hand } = usePhone();
  const [table, setTable] = useState(false);
  const compact = useWindowDimensions().height < 740;
  // The bands hold every other quantity still, so they are the same wherever the handle stands.
  const others = JSON.stringify({ ...question, sheet: question.sheet.id, [quantity]: null });
  const [still, setStill] = useState({ others, question });
  if (still.others !== others) setStill({ others, question });
  const asked = still.question;
  const { least, most, step } = domain;
  const columns = useMemo(() => strataOf({ question: asked, quantity, domain: { least, most, step }, samples: 25 }), [asked, quantity, least, most, step]);
  const deepest_s = useMemo(() => deepestOf(columns, asked[quantity]), [columns, asked, quantity]);
  const frame = useMemo(
    () => (size ? { width: size.width, height: size.height, least, most, deepest_s, mirror: hand === 'left' } : null),
    [size, least, most, deepest_s, hand],
  );
  const ticks = useMemo(
    () =>
      [0.1, 0.4, 0.7, 0.97].map((share) => {
        const at = snap(least + share * (most - least), { least, most, step });
        return { at, text: tickText(speaker, quantity, at) };
      }),
    [least, most, step, speaker, quantity],
  );
  const bands = useMemo(() => {
    if (!frame) return null;
    return strataScene({ frame, columns, unit: say(speaker, 'unit.min') });
  }, [frame, columns, speaker]);
  const said = (time_s: number): string => printFigure(speaker, 't_s', time_s);
  return (
    <View>
      <View className={compact ? 'h-[232px]' : 'h-[304px] lg:h-[400px]'}>
        <StrataSlider
          question={question}
          quantity={quantity}
          value={value}
          domain={domain}
          ghost={ghost}
          answer={answer}
          frame={frame}
          ticks={ticks}
          onLayout={onLayout}
          onChange={onChange}
        >
          {bands ? <SceneView scene={bands} bare /> : null}
        </StrataSlider>
      </View>
      <View className="flex-row items-center justify-between">
        <T as="small" className="flex-1">
          {say(speaker, 'day.ends', { ending: say(speaker, `word.ending.${answer.window.finishEnding}`) })} {say(speaker, 'day.mixAt', { mix_C: answer.mix_C })}
        </T>
        {bands && frame ? (
          <Word
            label={say(speaker, 'day.svg')}
            hint={say(speaker, 'day.svgHint')}
            onPress={() => {
              const handle = strataHandle({
                frame,
                column: columnOf(question[quantity], answer),
                value: tickText(speaker, quantity, question[quantity]),
                ticks,
                milestones: milestonesOf(answer),
                chance: sayChance(speaker, question.acceptedChance),
                ghost: null,
              });
              saveSvg(speaker, { ...bands, shapes: [...bands.shapes, ...handle.shapes] }, say(speaker, 'day.svgName'));
            }}
          />
        ) : null}
        <Word label={say(speaker, table ? 'table.hide' : 'table.show')} hint={say(speaker, 'day.table')} onPress={() => setTable(!table)} />
      </View>
      {table ? (
        <Table
          caption={say(speaker, 'day.table')}
          columns={[say(speaker, 'day.colValue'), say(speaker, 'day.colFlow'), say(speaker, 'day.colFinish'), say(speaker, 'day.colSet')]}
          rows={columns
            .filter((_, i) => i % 3 === 0)
            .map((column) => [quantityText(speaker, quantity, column.at), said(column.flows_s), said(column.finishes_s), said(column.sets_s)])}
        />
      ) : null}
    </View>
  );
}
