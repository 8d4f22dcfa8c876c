/** Kinds of work whose pace is asked of a firm and learned of it. */
export const WORKS = ['overlay', 'overlayObstacles', 'fill', 'skim', 'render', 'broom', 'crackResin', 'sealant', 'handPortions', 'slurry'] as const;
/**
 * A kind of work: an overlay spread on open floor or among obstacles, a fill pressed into a patch, a riser or wall
 * skimmed, render patched, a broom drawn, a crack filled, a joint sealed, hand portions, slurry brushed.
 */
export type Work = (typeof WORKS)[number];

/** How fast one person does it: m2/s, along a line m/s, hand portions 1/s. */
export type WorkRates = Readonly<Record<Work, number>>;
