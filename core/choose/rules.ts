import { ELEMENT_RULES } from './elementRules';
import { FINDING_RULES } from './findingRules';
import type { Rule } from './RuleContext';

/** Every rule but the last ones. */
export const RULES: readonly Rule[] = [...FINDING_RULES, ...ELEMENT_RULES];
