import { toSvg, type Scene } from '@tufa/draw';
import { speak } from '../ui/dress';
import { saveFile } from './saveFile';
import tokens from '../ui/tokens.json';
import type { Speaker } from '@tufa/words/speak';

/** Saves a drawing as a file of its own, in the light colours whatever the screen shows. */
export function saveSvg(speaker: Speaker, scene: Scene, name: string): void {
  const { light } = tokens;
  const colours = { ...light, onAct: light['on-act'] };
  saveFile({ name: `${name}.svg`, type: 'image/svg+xml', text: toSvg({ scene, speak: (label) => speak(speaker, label), colours }) });
}
