import { stepSection } from '../section/edgeSection';
import type { DrawnKind } from './DrawnKind';

/** A rebuilt step: a broken heavy line; the step in its form. */
export const step: DrawnKind<'step'> = { plan: { line: true, stroke: 'ink', width: 8, dash: '16 5' }, section: stepSection };
