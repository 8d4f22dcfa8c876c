import { UNKNOWN } from '@tufa/contract/assemble';
import type { PropertiesOf } from '@tufa/contract/kinds/index';
import { say } from '@tufa/words';
import type { Speaker } from '@tufa/words/speak';
import { textOf } from '@tufa/words/survey';
import { useSpeaker } from '../../parts/phone/speaker';
import { Button } from '../../parts/ui/Button';
import { FieldProblem } from '../../parts/ui/fieldProblem';
import { measuredOf } from '../../parts/ui/quantityText';
import type { FindingText } from '../TypedFinding';
import type { Typed } from './depthTyped';
import { Figures } from './Figures';
import type { KindFieldProps } from './TypedKind';

/** How wide and how deep a crack or a joint is. */
type Slot = Pick<PropertiesOf['crack'], 'width' | 'depth'>;

/** A slot as it would be typed. */
export const slotText = (speaker: Speaker, { width, depth }: Slot): Pick<FindingText, 'opening' | 'depth'> => ({
  opening: textOf(speaker, width, 'length'),
  depth: textOf(speaker, depth, 'length'),
});

/** A slot as it was typed, unknown where nobody could tell. @throws FieldProblem */
export function slotTyped({ speaker, values, thickness_m, across_m }: Typed): Slot {
  const width = measuredOf(speaker, { field: 'opening', text: values.opening, as: 'depth', limit: 'crack_m', unknown: UNKNOWN.crackWidth });
  const depth = measuredOf(speaker, { field: 'depth', text: values.depth, as: 'depth', limit: 'crackDepth_m', unknown: UNKNOWN.crackDepth });
  if (width.source === 'typed' && width.value > across_m) throw new FieldProblem('opening', say(speaker, 'walk.widerThan', { across_m }));
  if (depth.source === 'typed' && depth.value > thickness_m) throw new FieldProblem('depth', say(speaker, 'walk.tooDeep', { thickness_m }));
  return { width, depth };
}

/** Width and depth, and the gauge card that reads the width. */
export function SlotFields({ width, onGauge, ...field }: KindFieldProps & { readonly width: 'walk.crackWidth' | 'walk.jointWidth' }) {
  const speaker = useSpeaker();
  return (
    <>
      <Figures
        {...field}
        row={[
          ['opening', width],
          ['depth', 'walk.depth'],
        ]}
      />
      <Button label={say(speaker, 'gauge.open')} onPress={onGauge} />
    </>
  );
}
