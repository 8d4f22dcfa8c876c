import type { Plan, PlanInput } from '@tufa/core/plan';
import { printFigure, say, sayCoded } from '@tufa/words';
import { useWindowDimensions, View } from 'react-native';
import { orderScene } from '@tufa/draw';
import { SceneView } from '../parts/ui/SceneView';
import { Lines, type Line } from '../parts/ui/Lines';
import { T } from '../parts/ui/T';
import { amountText } from '../shelf/linesOf';
import { packsText } from './packsText';
import { useSpeaker } from '../parts/phone/speaker';
import { aidOf, sheetOf } from '@tufa/core/plan';

/** What is bought for all of a job at once, each product's packs rounded once, at three odds. */
export function JobOrder({
  input,
  plan,
  heading = 'mix.jobOrder',
}: {
  input: PlanInput;
  plan: Pick<Plan, 'orders' | 'aids' | 'extras'>;
  heading?: 'mix.jobOrder' | 'load.order';
}) {
  const speaker = useSpeaker();
  const { width } = useWindowDimensions();
  const { orders, aids, extras } = plan;
  if (orders.length + aids.length + extras.length === 0) return null;
  const products = orders.map(({ sheetId, chosen }): Line => {
    const name = sheetOf(input, sheetId)?.name ?? '';
    return [
      name,
      chosen.packages.length > 0
        ? `${packsText(speaker, chosen.packages)}, ${printFigure(speaker, 'c_minor', chosen.cost_minor)}`
        : say(speaker, 'mix.fromStock'),
    ];
  });
  const others = aids.map(({ aidId, packages, cost_minor }): Line => {
    const aid = aidOf(input, aidId);
    const packs = packages.map(({ count, amount }) =>
      say(speaker, 'mix.packs', { count: String(count), mass: amountText(speaker, aid?.unit ?? 'piece', amount) }),
    );
    return [aid?.name ?? '', `${packs.join(', ')}, ${printFigure(speaker, 'c_minor', cost_minor)}`];
  });
  const more = extras.map(({ code, ...amount }): Line => {
    const [name, value] = Object.entries(amount)[0]!;
    return [sayCoded(speaker, `mix.extra.${code}`), name === 'count' ? String(value) : printFigure(speaker, name, value)];
  });
  const whole = orders.reduce((sum, { chosen }) => sum + chosen.cost_minor, 0) + aids.reduce((sum, { cost_minor }) => sum + cost_minor, 0);
  return (
    <View className="gap-1">
      <T as="h2">{say(speaker, heading)}</T>
      <T as="strong">{printFigure(speaker, 'c_minor', whole)}</T>
      <Lines label={say(speaker, heading)} lines={[...products, ...others, ...more]} />
      {orders.map(({ sheetId, options }) => (
        <View key={sheetId} className="gap-1 pt-3">
          <T as="strong">{sheetOf(input, sheetId)?.name ?? ''}</T>
          <SceneView
            scene={orderScene({
              width: Math.min(340, width - 32),
              short: say(speaker, 'mix.shortHead'),
              left: say(speaker, 'mix.leftHead'),
              ways: options.map((option) => ({
                text: sayCoded(speaker, `mix.p${Math.round(option.quantile * 100)}`),
                short: option.chanceShort,
                shortText: `${Math.round(option.chanceShort * 100)} %`,
                left_kg: option.leftOver_kg,
                leftText: printFigure(speaker, 'l_kg', option.leftOver_kg),
              })),
            })}
          />
          <Lines
            label={`${say(speaker, 'mix.order')}: ${sheetOf(input, sheetId)?.name ?? ''}`}
            lines={options.map((option) => [
              sayCoded(speaker, `mix.p${Math.round(option.quantile * 100)}`),
              `${option.packages.length > 0 ? packsText(speaker, option.packages) : say(speaker, 'mix.fromStock')}, ${printFigure(speaker, 'c_minor', option.cost_minor)}; ${say(speaker, 'mix.short', { percent: Math.round(option.chanceShort * 100) })}; ${say(speaker, 'mix.left', { left: printFigure(speaker, 'l_kg', option.leftOver_kg) })}`,
            ])}
          />
        </View>
      ))}
    </View>
  );
}
