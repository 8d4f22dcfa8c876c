import type { SystemCode } from '@tufa/core/plan';
import { say } from '@tufa/words';
import type { Speaker } from '@tufa/words/speak';

/** Findings have letters; systems are numbered. */
export const SYSTEM_NUMBERS = ['1', '2', '3', '4'] as const;

/** What a way of doing the whole job is called. */
export const systemName = (speaker: Speaker, code: SystemCode): string => say(speaker, `systems.code.${code}`);
