import { counterSection } from '../section/layerSection';
import type { DrawnKind } from './DrawnKind';

/** A countertop: aggregate in an outline; a slab with its dropped edge. */
export const counter: DrawnKind<'counter'> = { plan: { line: false, pattern: 'aggregate', stroke: 'ink', width: 2.5 }, section: counterSection };
