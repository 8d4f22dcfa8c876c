export { SYSTEM_CODES, type SystemCode, type SystemInput, type SystemOutcome } from './SystemOutcome';
export { compareSystems } from './compareSystems';
export { bestBy, CRITERIA, decide, type Decision } from './decision';
export { differenceOf, isStale, type PlanDifference } from './differenceOf';
export { replacementOf } from './replacement';
export { bestTreatments, suggestedSystems } from './suggestedSystems';
