import type { FindingInput } from '../../survey';

/** A finding with the rest, whenever it was put off to. */
export const asNow = (finding: FindingInput): FindingInput => ({ ...finding, phase: 'now' });
