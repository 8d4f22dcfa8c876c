import type { Measured } from '@tufa/core/quantity';
import { printFigure } from '../figures';
import { say, type Speaker } from '../speak';

/** A measured value as it would be said: as typed, or in the firm's units, marked where it is assumed. */
export const told = (speaker: Speaker, name: string, value: Measured): string =>
  value.source === 'assumed'
    ? `${printFigure(speaker, name, value.value)} ${say(speaker, 'state.assumed')}`
    : (value.typed ?? printFigure(speaker, name, value.value));
