import { strataOf, type StrataDomain, type StrataQuantity, type WindowAnswer, type WindowQuestion } from '@tufa/core/plan';
import { deepestOf, strataScene } from '@tufa/draw';
import { say, printFigure } from '@tufa/words';
import { useMemo, useState } from 'react';
import { useWindowDimensions, View } from 'react-native';
import { Word } from '../parts/Button';
import { Table } from '../parts/Lines';
import { SceneView } from '../parts/SceneView';
import { useSize } from '../parts/useSize';
import { T } from '../parts/T';
import { quantityText, tickText } from './quantityText';
import { snap, StrataSlider } from './StrataSlider';

const SHOWN = ['grind', 'foot', 'vehicles'] as const;

/** The strata: its bands across one quantity, the handle over them, the table behind them. */
export function StrataView({
  question,
  quantity,
  domain,
  ghost,
  answer,
  onChange,
}: {
  question: WindowQuestion;
  quantity: StrataQuantity;
  domain: StrataDomain;
  ghost: number | null;
  answer: WindowAnswer;
  onChange: (value: number) => void;
}) {
  const { size, onLayout } = useSize();
  const [table, setTable] = useState(false);
  const compact = useWindowDimensions().height < 740;
  // The bands hold every other quantity still, so they are the same wherever the handle stands.
  const others = JSON.stringify({ ...question, sheet: question.sheet.id, [quantity]: null });
  const [still, setStill] = useState({ others, question });
  if (still.others !== others) setStill({ others, question });
  const held = still.question;
  const { least, most, step } = domain;
  const columns = useMemo(() => strataOf({ question: held, quantity, domain: { least, most, step }, samples: 25 }), [held, quantity, least, most, step]);
  const deepest_s = useMemo(() => deepestOf(columns, held[quantity]), [columns, held, quantity]);
  const frame = useMemo(() => (size ? { width: size.width, height: size.height, least, most, deepest_s } : null), [size, least, most, deepest_s]);
  const milestones = useMemo(() => SHOWN.flatMap((name) => answer.milestones.filter((one) => one.name === name)), [answer]);
  const bands = useMemo(() => {
    if (!frame) return null;
    const ticks = [0.1, 0.4, 0.7, 0.97].map((share) => {
      const at = snap(least + share * (most - least), { least, most, step });
      return { at, text: tickText(quantity, at) };
    });
    return <SceneView scene={strataScene({ frame, columns, ticks, milestones, unit: say('unit.min') })} bare />;
  }, [frame, columns, quantity, milestones, least, most, step]);
  const said = (time_s: number): string => printFigure('t_s', time_s);
  return (
    <View>
      <View className={compact ? 'h-[232px]' : 'h-[304px] lg:h-[400px]'}>
        <StrataSlider
          question={question}
          quantity={quantity}
          domain={domain}
          ghost={ghost}
          answer={answer}
          frame={frame}
          onLayout={onLayout}
          onChange={onChange}
        >
          {bands}
        </StrataSlider>
      </View>
      <View className="flex-row items-center justify-between">
        <T as="small" className="flex-1">
          {say('day.ends', { ending: say(`word.ending.${answer.window.finishEnding}`) })} {say('day.mixAt', { mix_C: answer.mix_C })}
        </T>
        <Word label={say(table ? 'table.hide' : 'table.show')} hint={say('day.table')} onPress={() => setTable(!table)} />
      </View>
      {table ? (
        <Table
          caption={say('day.table')}
          columns={[say('day.colValue'), say('day.colFlow'), say('day.colFinish'), say('day.colSet')]}
          rows={columns.filter((_, i) => i % 3 === 0).map((one) => [quantityText(quantity, one.at), said(one.flows_s), said(one.finishes_s), said(one.sets_s)])}
        />
      ) : null}
    </View>
  );
}
