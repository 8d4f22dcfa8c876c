import type { Dress, Label, LabelFigures } from '@tufa/draw';
import { sayCoded } from '@tufa/words';
import type { None, Uncovered } from '@tufa/words/covered';
import type { Speaker } from '@tufa/words/speak';

/** Nothing, while whatever is written on a drawing has its sentence and gets the figures that it names; else this does not compile. */
type Missing = None<Uncovered<LabelFigures, ''>>;

/** The words of a label of a scene. */
export const speak = (speaker: Speaker, label: Label | Missing): string => ('text' in label ? label.text : sayCoded(speaker, label.code, label.figures));

/** A scene dressed for the screen: its paints are the tokens of the present look. */
export const dress = (speaker: Speaker, prefix: string): Dress => ({
  speak: (label) => speak(speaker, label),
  colour: (paint) => `var(--${paint === 'onAct' ? 'on-act' : paint})`,
  pattern: (name, grain) => `${prefix}${name}${grain}`,
  font: (size) => (size >= 20 ? 'Bricolage' : 'Atkinson'),
});
