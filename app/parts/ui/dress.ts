import type { Dress, Label } from '@tufa/draw';
import { say } from '@tufa/words';

/** The words of a label of a scene. */
export const speak = ({ code, figures, text }: Label): string => text ?? (code ? say(code, figures ?? {}) : '');

/** A scene dressed for the screen: its paints are the tokens of the present look. */
export const dress = (prefix: string): Dress => ({
  speak,
  colour: (paint) => `var(--${paint === 'onAct' ? 'on-act' : paint})`,
  pattern: (name, grain) => `${prefix}${name}${grain}`,
  font: (size) => (size >= 20 ? 'Bricolage' : 'Atkinson'),
});
