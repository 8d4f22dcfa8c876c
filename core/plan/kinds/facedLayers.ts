import type { RiserFace } from '../steps/riserMethod';
import type { BodyLayer } from '../systems/SystemSection';

/** A fill behind the face that it is held or formed by. */
export const facedLayers = (thickness_m: number, face: RiserFace): BodyLayer[] => [
  { code: 'fill', thickness_m },
  { code: `face.${face}`, thickness_m: null },
];
