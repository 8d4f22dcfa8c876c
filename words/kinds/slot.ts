import type { PropertiesOf } from '@tufa/contract/kinds/index';
import { say, type Speaker } from '../speak';
import { told } from './told';

/** A slot by its width and depth. */
export const slotLine = (speaker: Speaker, { width, depth }: Pick<PropertiesOf['crack'], 'width' | 'depth'>): string =>
  say(speaker, 'walk.subLine', { width: told(speaker, 'width_m', width), depth: told(speaker, 'depth_m', depth) });
