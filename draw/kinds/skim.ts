import { skimSection } from '../section/layerSection';
import type { DrawnKind } from './DrawnKind';

/** A skim: sand in an outline; a layer on its profile. */
export const skim: DrawnKind<'skim'> = { plan: { line: false, pattern: 'sand', stroke: 'ink', width: 1.5 }, section: skimSection };
