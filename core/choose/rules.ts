import { BASE_RULES, ELEMENT_RULES } from './elementRules';
import { FINDING_RULES } from './findingRules';
import type { FirstRule } from './RuleContext';

/** Every rule but the last ones. */
export const RULES: readonly FirstRule[] = [...FINDING_RULES, ...BASE_RULES, ...ELEMENT_RULES];
