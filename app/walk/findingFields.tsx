import { UNKNOWN } from '@tufa/contract/assemble';
import { sayCoded } from '@tufa/words';
import { Controller, type Control } from 'react-hook-form';
import { Choice } from '../parts/ui/Choice';
import { FormField } from '../parts/ui/FormField';
import type { FindingText } from './TypedFinding';
import { useSpeaker } from '../parts/phone/speaker';

/** Lengths that are taped, not probed. */
const SIDES = ['length', 'width', 'fromLeft', 'fromTop', 'between', 'run'] as const;
type Depth =
  'jointWidth' | 'splashHeight' | 'splashThick' | 'deepest' | 'cutDepth' | 'opening' | 'depth' | 'lip' | 'across' | 'down' | 'layer' | 'rise' | 'going';
/** What *don't know* stands for, where the work can go on without the figure. */
const UNKNOWN_OF: Readonly<Partial<Record<Figure, (typeof UNKNOWN)[keyof typeof UNKNOWN]>>> = {
  deepest: UNKNOWN.deepest,
  opening: UNKNOWN.crackWidth,
  depth: UNKNOWN.crackDepth,
};

type Figure = (typeof SIDES)[number] | Depth;
type Chosen = 'shape' | 'edge' | 'profile' | 'moves' | 'section' | 'phase' | 'by' | 'kind' | 'roughness' | 'stays' | 'made' | 'stepFace';

/** What every field of a finding's form stands in. */
export interface FindingFieldProps {
  readonly control: Control<FindingText>;
  readonly label: string;
  readonly onSubmit: () => void;
}

/** One figure of a finding; a taped one is read in feet or metres, a probed one in inches or millimetres. */
export function FigureField({ control, onSubmit, name, word, empty = '' }: FindingFieldProps & { name: Figure; word: string; empty?: string }) {
  const speaker = useSpeaker();
  const unknown = UNKNOWN_OF[name];
  const as = (SIDES as readonly string[]).includes(name) ? 'side' : 'depth';
  return <FormField control={control} name={name} label={sayCoded(speaker, word)} placeholder={empty} as={as} unknown={unknown} onSubmit={onSubmit} />;
}

/** One choice of a finding; without words of their own its values are figures and stand for themselves. */
export function ChoiceField<N extends Chosen>({
  control,
  label,
  name,
  word,
  values,
  valueWords,
  labelHidden = false,
  onChosen = () => undefined,
}: FindingFieldProps & {
  name: N;
  word: string;
  values: readonly FindingText[N][];
  valueWords?: string;
  labelHidden?: boolean;
  onChosen?: (value: FindingText[N]) => void;
}) {
  const speaker = useSpeaker();
  return (
    <Controller
      control={control}
      name={name}
      render={({ field }) => (
        <Choice
          label={sayCoded(speaker, word, { label })}
          labelHidden={labelHidden}
          options={values.map((value) => ({ value: value as string, label: valueWords ? sayCoded(speaker, `${valueWords}.${value}`) : String(value) }))}
          value={field.value as string}
          onChange={(value) => {
            field.onChange(value);
            onChosen(value as FindingText[N]);
          }}
        />
      )}
    />
  );
}
