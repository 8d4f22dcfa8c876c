import { patchSection } from '../section/patchSection';
import type { DrawnKind } from './DrawnKind';

/** A void under water: wet in an outline; a fill with water over it. */
export const voidUnderWater: DrawnKind<'void'> = { plan: { line: false, pattern: 'wet', stroke: 'ink', width: 3 }, section: patchSection };
