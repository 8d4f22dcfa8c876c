import { Problem } from '@tufa/core/quantity';
import { rectangle, type Point } from '@tufa/core/takeoff';
import { printFigure, say } from '@tufa/words';
import { useEffect, useMemo, useState } from 'react';
import type { UseFormReturn } from 'react-hook-form';
import { View } from 'react-native';
import { Button, Word } from '../parts/ui/Button';
import { T } from '../parts/ui/T';
import { FieldProblem } from '../parts/ui/fieldProblem';
import { Draft } from './Draft';
import { DrawPlan } from './DrawPlan';
import { FormField } from '../parts/ui/FormField';
import { CLOSES_M, fittedOf, type ElementText, type TapeText } from './elementText';
import { useSpeaker } from '../parts/phone/speaker';

/** Room to sketch in where nothing has a size yet, m. */
const SHEET = { length_m: 12, width_m: 9 };
const THICKNESS = { value: 0.1, source: 'assumed' } as const;

const name = ({ from, to }: TapeText): string => `${from + 1}-${to + 1}`;

/** A shape sketched corner by corner and then taped: its sides, and a diagonal or two that hold it square. */
export function TapedShape({ form }: { form: UseFormReturn<ElementText> }) {
  const speaker = useSpeaker();
  const { control, setValue, getValues, watch } = form;
  const [draft] = useState(() => new Draft(getValues('corners')));
  useEffect(
    () =>
      draft.subscribeRest(() => {
        const corners = [...draft.snapshot().points];
        const before = getValues('corners').length;
        setValue('corners', corners, { shouldDirty: true });
        if (corners.length === before) return;
        // A side for each pair of neighbours; what was taped of the others stays.
        const still = getValues('tapes').filter(({ from, to }) => Math.max(from, to) < corners.length && Math.abs(from - to) !== before - 1);
        const sides = corners.map((_, i): TapeText => ({ from: i, to: (i + 1) % corners.length, text: '' }));
        const kept = (side: TapeText): TapeText => still.find(({ from, to }) => from === side.from && to === side.to) ?? side;
        setValue('tapes', [...(corners.length > 2 ? sides.map(kept) : []), ...still.filter(({ from, to }) => to !== (from + 1) % corners.length)]);
      }),
    [draft, setValue, getValues],
  );
  const [corners, tapes, fitted] = watch(['corners', 'tapes', 'fitted']);
  const taped = JSON.stringify(tapes);
  const fit = useMemo(() => {
    try {
      return fittedOf(speaker, { corners, tapes: JSON.parse(taped) as TapeText[] });
    } catch (error) {
      if (error instanceof FieldProblem || error instanceof Problem) return null;
      throw error;
    }
  }, [corners, speaker, taped]);
  const sheet = useMemo(() => ({ geometry: { outline: frameOf(corners), thickness: THICKNESS } }), [corners]);
  const diagonals = corners.flatMap((_, from) =>
    corners.flatMap((__, to) =>
      to > from + 1 && !(from === 0 && to === corners.length - 1) && !tapes.some((tape) => tape.from === from && tape.to === to)
        ? [{ from, to, text: '' }]
        : [],
    ),
  );
  return (
    <View className="gap-3">
      <DrawPlan element={sheet} draft={draft} kind="obstacle" others={[]} corners={[]} />
      {tapes.map((tape, i) => (
        <FormField
          key={name(tape)}
          control={control}
          name={`tapes.${i}.text`}
          label={say(speaker, 'walk.tape', { side: name(tape) })}
          as="side"
          onSubmit={() => {}}
        />
      ))}
      {diagonals.length > 0 ? (
        <View className="flex-row flex-wrap items-center gap-2" role="group" aria-label={say(speaker, 'walk.diagonals')}>
          <T as="faint">{say(speaker, 'walk.diagonals')}</T>
          {diagonals.slice(0, 9).map((tape) => (
            <Word
              key={name(tape)}
              label={name(tape)}
              hint={say(speaker, 'walk.addDiagonal', { side: name(tape) })}
              onPress={() => setValue('tapes', [...tapes, tape])}
            />
          ))}
        </View>
      ) : null}
      {fit ? (
        <View aria-live="polite" className="gap-2">
          {fit.misfit_m > CLOSES_M ? (
            <>
              <T tone="caution">{say(speaker, 'walk.misfit', { misfit_m: fit.misfit_m })}</T>
              <Button
                label={say(speaker, 'walk.spreadMisfit')}
                tone={fitted ? 'dark' : 'plain'}
                onPress={() => {
                  setValue('fitted', true);
                  draft.do(fit.outline, null);
                }}
              />
            </>
          ) : (
            <T as="faint">{say(speaker, 'walk.closes', { misfit_m: Math.max(fit.misfit_m, 0.001) })}</T>
          )}
          <T as="small">{fit.outline.map(([x, y], i) => `${i + 1}: ${printFigure(speaker, 'x_m', x)}, ${printFigure(speaker, 'y_m', y)}`).join('   ')}</T>
        </View>
      ) : null}
    </View>
  );
}

/** Room around what is drawn, never less than the empty sheet. */
function frameOf(corners: ElementText['corners']): Point[] {
  const x = Math.max(SHEET.length_m, ...corners.map(([at]) => at * 1.1));
  const y = Math.max(SHEET.width_m, ...corners.map(([, at]) => at * 1.1));
  return rectangle({ length_m: x, width_m: y });
}
