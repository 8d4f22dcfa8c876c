import { grooveSection } from '../section/slotSection';
import type { DrawnKind } from './DrawnKind';

/** A joint: a dashed line; a groove with its rod and sealant. */
export const joint: DrawnKind<'groove'> = { plan: { line: true, stroke: 'ink', width: 3, dash: '12 4 3 4' }, section: grooveSection };
