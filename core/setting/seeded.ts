import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';

/** Small seeds lie side by side, and what is first drawn from them too: they are spread over all integers. @param seed an integer */
export const spread = (seed: number): number => {
  const mixed = Math.imul(seed ^ (seed >>> 15), 0x2c1b3c6d);
  return Math.imul(mixed ^ (mixed >>> 12), 0x297a2d39) ^ (mixed >>> 15);
};

/** Draws between 0 and 1, evenly. @param seed an integer: the same on every engine */
export function uniforms(seed: number): () => number {
  const generator = xoroshiro128plus(spread(seed));
  return () => ((generator.next() >>> 0) + 0.5) / 4294967296;
}
