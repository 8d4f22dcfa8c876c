/** What a step of conduction goes by, the same for all steps of one length in one weather. */
export interface StepFactors {
  /** conductivity x step / (capacity x width^2) */
  readonly share: number;
  /** K per W/m2 that half a cell on a face gains in a step */
  readonly half: number;
  /** W/m2 into the face at a temperature of it, degC */
  readonly intoFace: (face_C: number) => number;
  /** W/m2K from the back to the air; 0 where it is insulated */
  readonly behind_Wm2K: number;
  readonly air_C: number;
}

/** One explicit step, in place: each node needs its neighbour's temperature from before, which two variables carry along. */
export function oneStep(T: Float64Array, { share, half, intoFace, behind_Wm2K, air_C }: StepFactors): void {
  const last = T.length - 1;
  let above = T[0]!;
  let here = T[1]!;
  T[0] = above + 2 * share * (here - above) + half * intoFace(above);
  for (let i = 1; i < last; i += 1) {
    const below = T[i + 1]!;
    T[i] = here + share * (above - 2 * here + below);
    above = here;
    here = below;
  }
  T[last] = here + (2 * share * (above - here) - half * behind_Wm2K * (here - air_C));
}

/**
 * Two of them a walk, an even count: the second step follows the first one node behind, so that every temperature is
 * read and written half as often. The figures are those of one step after another, to the last bit.
 */
export function twoByTwo(T: Float64Array, count: number, { share, half, intoFace, behind_Wm2K, air_C }: StepFactors): void {
  const last = T.length - 1;
  for (let done = 0; done < count; done += 2) {
    let above = T[0]!;
    let here = T[1]!;
    const face = above + 2 * share * (here - above) + half * intoFace(above);
    let below = T[2]!;
    let onceAbove = face;
    let once = here + share * (above - 2 * here + below);
    T[0] = face + 2 * share * (once - face) + half * intoFace(face);
    above = here;
    here = below;
    for (let i = 2; i < last; i += 1) {
      below = T[i + 1]!;
      const onceBelow = here + share * (above - 2 * here + below);
      T[i - 1] = once + share * (onceAbove - 2 * once + onceBelow);
      onceAbove = once;
      once = onceBelow;
      above = here;
      here = below;
    }
    const back = here + (2 * share * (above - here) - half * behind_Wm2K * (here - air_C));
    T[last - 1] = once + share * (onceAbove - 2 * once + back);
    T[last] = back + (2 * share * (once - back) - half * behind_Wm2K * (back - air_C));
  }
}
