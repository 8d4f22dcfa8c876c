import type { SystemCode } from '@tufa/core/plan';
import { say } from '@tufa/words';

/** Findings have letters; systems are numbered. */
export const SYSTEM_NUMBERS = ['1', '2', '3', '4'] as const;

export const systemName = (code: SystemCode): string => say(`systems.code.${code}`);
