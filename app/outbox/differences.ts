import { typeset } from '@tufa/core/quantity';
import { printFigure, say, sayCoded, isSaid } from '@tufa/words';
import type { Speaker } from '@tufa/words/speak';

/** One leaf that two people changed: what it is called, and both values as a person reads them. */
export interface Difference {
  readonly name: string;
  readonly yours: string;
  readonly theirs: string;
}

type Tree = Readonly<Record<string, unknown>>;

const isTree = (value: unknown): value is Tree => typeof value === 'object' && value !== null && !Array.isArray(value);

const isMeasured = (value: unknown): value is { value: number; typed?: string } => isTree(value) && typeof value['value'] === 'number' && 'source' in value;

const called = (speaker: Speaker, name: string): string => (isSaid(`conflict.${name}`) ? sayCoded(speaker, `conflict.${name}`) : name);

function shown(speaker: Speaker, name: string, value: unknown): string {
  if (value === undefined || value === null || value === '') return say(speaker, 'conflict.nothing');
  if (isMeasured(value)) return typeset(value.typed ?? printFigure(speaker, `${name}_m`, value.value));
  if (Array.isArray(value))
    return value.every((item) => typeof item === 'string')
      ? value.map((item) => printFigure(speaker, name, item)).join(', ')
      : say(speaker, 'conflict.points', { count: value.length });
  if (typeof value === 'number' || typeof value === 'string') return printFigure(speaker, name, value);
  return isTree(value)
    ? Object.keys(value)
        .map((name) => called(speaker, name))
        .join(', ')
    : String(value);
}

/** What differs between two values of one field, leaf by leaf, so that a person compares figures and not files. */
export function differences(speaker: Speaker, name: string, yours: unknown, theirs: unknown): Difference[] {
  if (JSON.stringify(yours) === JSON.stringify(theirs)) return [];
  if (isTree(yours) && isTree(theirs) && !isMeasured(yours) && !isMeasured(theirs))
    return [...new Set([...Object.keys(yours), ...Object.keys(theirs)])].flatMap((key) => differences(speaker, key, yours[key], theirs[key]));
  return [{ name: called(speaker, name), yours: shown(speaker, name, yours), theirs: shown(speaker, name, theirs) }];
}
