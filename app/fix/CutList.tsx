import type { TakeOff } from '@tufa/core/plan';
import { cutHeight, cutScene, pieceLetter } from '@tufa/draw';
import { printFigure, say } from '@tufa/words';
import { View } from 'react-native';
import { saveSvg } from '../parts/phone/saveSvg';
import { useSpeaker } from '../parts/phone/speaker';
import { useSize } from '../parts/phone/useSize';
import { Word } from '../parts/ui/Button';
import { Table } from '../parts/ui/Lines';
import { SceneView } from '../parts/ui/SceneView';
import { T } from '../parts/ui/T';

/** What a top weighs on what carries it, and the strips of its form as they are cut: drawn, in a table, to print and to take to the saw. */
export function CutList({ takeOff: { more, strips } }: { takeOff: TakeOff }) {
  const speaker = useSpeaker();
  const { size, onLayout } = useSize();
  const { mass_kg = 0, perArea_kg_m2 = 0, perLength_kg_m = 0, stock_m = 0, kerf_m = 0, flexible_m = 0, curves = 0 } = more;
  const us = speaker.system === 'us';
  const foot_m = us ? 0.3048 : 1;
  const stocks = strips.map((pieces) => pieces.map((length_m) => ({ length_m, text: printFigure(speaker, 'side_m', length_m) })));
  const scene = size ? cutScene({ stocks, stock_m, kerf_m, width: size.width }) : null;
  const left = (pieces: readonly number[]): number => Math.max(0, stock_m - pieces.reduce((sum, piece) => sum + piece, 0) - kerf_m * (pieces.length - 1));
  return (
    <View className="gap-2" testID="cut-list">
      <T as="lead">
        {say(speaker, us ? 'walk.top.weightFeet' : 'walk.top.weight', {
          mass_kg,
          perArea_kg: perArea_kg_m2 * foot_m * foot_m,
          perLength_kg: perLength_kg_m * foot_m,
        })}
      </T>
      <T as="h2">{say(speaker, 'walk.top.cutList')}</T>
      <T as="faint">{say(speaker, 'walk.top.cutLead', { lengths: String(strips.length), stock_m, kerf_m })}</T>
      {flexible_m > 0 ? <T as="faint">{say(speaker, 'walk.top.flexible', { length_m: flexible_m, curves: String(curves) })}</T> : null}
      <View onLayout={onLayout} style={{ minHeight: cutHeight(strips.length) }}>
        {scene ? <SceneView scene={scene} /> : null}
      </View>
      <Table
        caption={say(speaker, 'walk.top.cutList')}
        columns={[say(speaker, 'walk.top.stock'), say(speaker, 'walk.top.pieces'), say(speaker, 'walk.top.left')]}
        rows={strips.map((pieces, i) => [
          String(i + 1),
          stocks[i]!.map(({ text }, nth) => `${pieceLetter(nth)} ${text}`).join(', '),
          printFigure(speaker, 'side_m', left(pieces)),
        ])}
      />
      <View className="flex-row justify-end">
        <Word
          label={say(speaker, 'walk.top.print')}
          hint={`${say(speaker, 'walk.top.print')} ${say(speaker, 'walk.top.cutList')}`}
          onPress={() => window.print()}
        />
        {scene ? (
          <Word
            label={say(speaker, 'draw.svg')}
            hint={`${say(speaker, 'draw.svg')} ${say(speaker, 'walk.top.cutList')}`}
            onPress={() => saveSvg(speaker, scene, say(speaker, 'walk.top.cutList'))}
          />
        ) : null}
      </View>
    </View>
  );
}
