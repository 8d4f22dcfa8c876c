import { crackSection } from '../section/slotSection';
import type { DrawnKind } from './DrawnKind';

/** A crack: a line; a slot as it is filled. */
export const crack: DrawnKind<'crack'> = { plan: { line: true, stroke: 'ink', width: 4 }, section: crackSection };
