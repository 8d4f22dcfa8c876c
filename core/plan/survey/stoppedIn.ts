import type { ElementSurvey } from './Survey';

/** The elements on which a stop stands: each stops itself. */
export const stoppedIn = (elements: readonly Pick<ElementSurvey, 'elementId' | 'stops'>[]): ReadonlySet<string> =>
  new Set(elements.filter(({ stops }) => stops.length > 0).map(({ elementId }) => elementId));
