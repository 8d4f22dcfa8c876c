/** From so much on a liquid is measured by the pail, below it by the cup. */
const PAIL_FROM_M3 = 5e-4;

/** How a liquid is typed: what a bare number means beside it. */
export const measuredAs = (volume_m3: number): 'poured' | 'dosed' => (volume_m3 < PAIL_FROM_M3 ? 'dosed' : 'poured');
