import type { FirmData } from '@tufa/contract/entities';
import type { Batch, DayBar, DayPlan, DayWhy } from '@tufa/core/plan';
import { isSaid, say, sayCoded } from '@tufa/words';
import type { Speaker } from '@tufa/words/speak';
import { findingName } from '@tufa/words/findingName';
import { servesText } from '../mix/batchText';

/** A time of a day as it is read off a clock, s from its midnight; of another day with a plus. */
export function clockText(s: number): string {
  const days = Math.floor(s / 86400);
  const minutes = Math.round((s - days * 86400) / 60);
  const time = `${String(Math.floor(minutes / 60)).padStart(2, '0')}:${String(minutes % 60).padStart(2, '0')}`;
  return days > 0 ? `${time} +${days}` : time;
}

interface Named {
  readonly data: Pick<FirmData, 'finding'>;
  readonly batches: readonly Batch[];
}

/** What a bar is called. */
export function barText(speaker: Speaker, { code, findings, batch, follow, name }: DayBar, { data, batches }: Named): string {
  if (name !== undefined) return name;
  const found = findings.map((id) => findingName(speaker, data, id)).join(', ');
  if (code === 'mix' || code === 'lay' || code === 'finish') {
    const listed = batches.find(({ number }) => number === batch);
    return say(speaker, 'dayPlan.batch', { number: batch ?? '', serves: listed ? servesText(speaker, data, listed) : found });
  }
  if (code === 'follow')
    return sayCoded(speaker, isSaid(`dayPlan.follow.${follow}`) ? `dayPlan.follow.${follow}` : 'dayPlan.follow.other', { findings: found });
  if (code === 'arrive' || code === 'clean') return say(speaker, `dayPlan.${code}`);
  return code === 'fixed' ? '' : say(speaker, `dayPlan.${code}`, { findings: found });
}

/** Why a bar stands where it does. */
export function whyText(speaker: Speaker, why: DayWhy, day: DayPlan, named: Named): string {
  if (!('on' in why)) return say(speaker, `dayPlan.why.${why.code}`);
  const other = day.bars.find(({ id }) => id === why.on);
  const on = other ? barText(speaker, other, named) : '';
  return why.code === 'hands' ? say(speaker, 'dayPlan.why.hands', { on }) : sayCoded(speaker, `dayPlan.why.${why.code}`, { on, least_s: why.least_s });
}

/** A batch is one line of the list, from its mixing to its finish; everything else its own. */
export interface DayLine {
  readonly bar: DayBar;
  readonly end_s: number;
}

/** The day's lines by the clock. */
export function linesOf({ bars }: DayPlan): DayLine[] {
  const lines: DayLine[] = [];
  for (const bar of bars) {
    const at = bar.batch === undefined ? -1 : lines.findIndex((line) => line.bar.batch === bar.batch);
    if (at < 0) lines.push({ bar, end_s: bar.end_s });
    else lines[at] = { ...lines[at]!, end_s: Math.max(lines[at]!.end_s, bar.end_s) };
  }
  return lines;
}

/** The day as a few lines of text for whoever is not at the screen. */
export const dayAsText = (speaker: Speaker, day: DayPlan, named: Named, title: string): string =>
  [title, ...linesOf(day).map(({ bar }) => `${clockText(bar.start_s)}  ${barText(speaker, bar, named)}`)].join('\n');
