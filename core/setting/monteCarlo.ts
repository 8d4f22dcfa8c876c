import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { inRange } from '../quantity';
import { Course, type CourseInput } from './Course';
import { shifted } from './Temperatures';

/** How far the inputs of a life may be out: sds, K and ln. */
export interface LifeSpread {
  readonly mix_K: number;
  readonly surroundings_K: number;
  readonly surface_K: number;
  readonly sdLn: number;
}

/** A life tabulated over its temperatures is interpolated: so many nodes either way. */
const NODES = 9;
/** The table reaches so many sds either way; what falls outside is held at its edge. */
const REACH = 3.5;

/**
 * Seeded lives where no closed form serves: temperatures normal, the life lognormal, one stream of integers for each
 * batch. Lives are tabulated over mix and slab once, so that a draw is an interpolation; the air enters by its own slope.
 *
 * @param seed a 32-bit integer; the same seed gives the same lives on every engine to 1e-9
 * @param count 1 to a million
 * @returns s, in the order they were drawn
 * @throws Problem `outOfRange`
 */
export function monteCarloLives({ course, spread, seed, count }: { course: CourseInput; spread: LifeSpread; seed: number; count: number }): Float64Array {
  inRange({ quantity: 'count', value: count, least: 1, most: 1e6 });
  for (const name of ['mix_K', 'surroundings_K', 'surface_K', 'sdLn'] as const) inRange({ quantity: name, value: spread[name], least: 0, most: 20 });
  const step = (sd: number): number => (sd * REACH * 2) / (NODES - 1);
  const nodesOf = (sd: number): number => (sd > 0 ? NODES : 1);
  const [mixes, slabs] = [nodesOf(spread.mix_K), nodesOf(spread.surface_K)];
  const at = (i: number, n: number, sd: number): number => (n === 1 ? 0 : -sd * REACH + i * step(sd));
  const lnLife = (mix_K: number, air_K: number, slab_K: number): number => Math.log(new Course(moved(course, { mix_K, air_K, slab_K })).timeToSpend(1));
  const table = new Float64Array(mixes * slabs);
  for (let i = 0; i < mixes; i += 1)
    for (let j = 0; j < slabs; j += 1) table[i * slabs + j] = lnLife(at(i, mixes, spread.mix_K), 0, at(j, slabs, spread.surface_K));
  const airSlope = spread.surroundings_K > 0 ? (lnLife(0, 1, 0) - lnLife(0, -1, 0)) / 2 : 0;
  const draw = normals(seed);
  const lives = new Float64Array(count);
  const place = (value: number, n: number, sd: number): number => (n === 1 ? 0 : Math.min(n - 1.000001, Math.max(0, (value + sd * REACH) / step(sd))));
  for (let k = 0; k < count; k += 1) {
    const x = place(draw() * spread.mix_K, mixes, spread.mix_K);
    const y = place(draw() * spread.surface_K, slabs, spread.surface_K);
    const air_K = draw() * spread.surroundings_K;
    const noise = draw() * spread.sdLn;
    const [i, j] = [Math.floor(x), Math.floor(y)];
    const [u, v] = [x - i, y - j];
    const right = mixes > 1 ? slabs : 0;
    const down = slabs > 1 ? 1 : 0;
    const corner = i * slabs + j;
    const ln = (1 - u) * ((1 - v) * table[corner]! + v * table[corner + down]!) + u * ((1 - v) * table[corner + right]! + v * table[corner + right + down]!);
    lives[k] = Math.exp(ln + airSlope * air_K + noise);
  }
  return lives;
}

const moved = (course: CourseInput, { mix_K, air_K, slab_K }: { mix_K: number; air_K: number; slab_K: number }): CourseInput => ({
  ...course,
  mix_C: course.mix_C + mix_K,
  surroundings_C: warmer(course.surroundings_C, air_K),
  surface_C: warmer(course.surface_C, slab_K),
});

const warmer = (given: CourseInput['surface_C'], by_K: number): CourseInput['surface_C'] => (typeof given === 'number' ? given + by_K : shifted(given, by_K));

/**
 * Standard normals from a kept generator of integers, by Box and Muller.
 *
 * @example const draw = normals(7); draw() // the same on every engine to 1e-9
 */
export function normals(seed: number): () => number {
  const generator = xoroshiro128plus(seed);
  const uniform = (): number => ((generator.next() >>> 0) + 0.5) / 4294967296;
  let kept: number | null = null;
  return () => {
    if (kept !== null) {
      const normal = kept;
      kept = null;
      return normal;
    }
    const radius = Math.sqrt(-2 * Math.log(uniform()));
    const angle = 2 * Math.PI * uniform();
    kept = radius * Math.sin(angle);
    return radius * Math.cos(angle);
  };
}
