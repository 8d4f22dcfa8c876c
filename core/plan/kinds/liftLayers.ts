import type { BodyLayer } from '../systems/SystemSection';

/** Lifts of one thickness, the last on top. */
export const liftLayers = ({ lifts, deepest_m }: { readonly lifts: number; readonly deepest_m: number }): BodyLayer[] =>
  Array.from({ length: lifts }, (_, i) => ({ code: 'lift', thickness_m: deepest_m / lifts, figures: { lift: lifts - i } }));
