import { wedgeSection } from '../section/edgeSection';
import type { DrawnKind } from './DrawnKind';

/** A wedge: a dotted heavy line; a run with its toe. */
export const wedge: DrawnKind<'wedge'> = { plan: { line: true, stroke: 'ink', width: 8, dash: '2 4' }, section: wedgeSection };
