import { patchSection } from '../section/patchSection';
import type { DrawnKind } from './DrawnKind';

/** A patch: mortar in an outline; a fill in its lifts. */
export const spall: DrawnKind<'spall'> = { plan: { line: false, pattern: 'mortar', stroke: 'ink', width: 2.5 }, section: patchSection };
