import type { Dress, Label } from '@tufa/draw';
import { sayCoded } from '@tufa/words';
import type { Speaker } from '@tufa/words/speak';

/** The words of a label of a scene. */
export const speak = (speaker: Speaker, { code, figures, text }: Label): string => text ?? (code ? sayCoded(speaker, code, figures) : '');

/** A scene dressed for the screen: its paints are the tokens of the present look. */
export const dress = (speaker: Speaker, prefix: string): Dress => ({
  speak: (label) => speak(speaker, label),
  colour: (paint) => `var(--${paint === 'onAct' ? 'on-act' : paint})`,
  pattern: (name, grain) => `${prefix}${name}${grain}`,
  font: (size) => (size >= 20 ? 'Bricolage' : 'Atkinson'),
});
