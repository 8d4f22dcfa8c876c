import { edgeSection } from '../section/edgeSection';
import type { DrawnKind } from './DrawnKind';

/** A broken edge: a heavy line; the nosing with its face. */
export const edge: DrawnKind<'edge'> = { plan: { line: true, stroke: 'ink', width: 8 }, section: edgeSection };
