import type { Moment, RehearsedBatch, WayOnCode } from '@tufa/core/plan';
import { say } from '@tufa/words';
import type { Speaker } from '@tufa/words/speak';

/** Whole minutes, at least one. */
export const minutesText = (speaker: Speaker, seconds: number): string =>
  say(speaker, 'rehearse.outcome.minutes', { count: Math.max(seconds < 30 ? 0 : 1, Math.round(seconds / 60)) });

const percent = (share: number): string => `${Math.round(share * 100)}\u00a0%`;

/** What happened, in a sentence. */
export const mishapText = (speaker: Speaker, what: Extract<Moment, { code: 'mishap' }>['what'], number: string): string =>
  what === 'wetter' ? say(speaker, 'rehearse.mishap.wetter', { number }) : say(speaker, `rehearse.mishap.${what}`);

/** A moment that decided, in a sentence. */
export function momentText(speaker: Speaker, moment: Moment): string {
  if (moment.code === 'lost') return say(speaker, 'rehearse.moment.lost', { number: moment.number, why: say(speaker, `rehearse.lost.${moment.why}`) });
  if (moment.code === 'close') return say(speaker, 'rehearse.moment.close', { number: moment.number, percent: percent(moment.spent_share) });
  if (moment.code === 'idle') return say(speaker, 'rehearse.moment.idle', { for: minutesText(speaker, moment.for_s) });
  const what = mishapText(speaker, moment.what, moment.number);
  const { answered_s, choice } = moment;
  if (moment.what === 'wetter')
    return answered_s === null
      ? say(speaker, 'rehearse.moment.notRight', { what })
      : say(speaker, 'rehearse.moment.putRight', { what, after: minutesText(speaker, answered_s) });
  if (answered_s === null) return say(speaker, 'rehearse.moment.unanswered', { what });
  const way = choice ? say(speaker, `broke.way.${choice as WayOnCode}`) : say(speaker, 'rehearse.moment.left');
  return say(speaker, 'rehearse.moment.answered', { what, after: minutesText(speaker, answered_s), way });
}

/** What the crew does with a batch now. */
export function stageText(speaker: Speaker, { number, make, stage, share, lost }: RehearsedBatch): string {
  if (lost) return say(speaker, 'rehearse.stage.lost', { number, why: say(speaker, `rehearse.lost.${lost.why}`) });
  if (stage === 'mix' && make === 'ready') return say(speaker, 'rehearse.stage.bring', { number });
  return stage === 'done' ? say(speaker, 'rehearse.stage.done', { number }) : say(speaker, `rehearse.stage.${stage}`, { number, percent: percent(share) });
}
