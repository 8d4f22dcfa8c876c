import { sayCoded, type Speaker } from '@tufa/words/speak';
import { now } from './clock';

/** How long ago something was, in the largest whole unit. @param since ms since 1970, or an ISO instant */
export function ageText(speaker: Speaker, since: number | string): string {
  const minutes = Math.max(0, Math.floor((now() - new Date(since).getTime()) / 60_000));
  const [count, unit] = minutes < 60 ? [minutes, 'min'] : minutes < 48 * 60 ? [Math.floor(minutes / 60), 'h'] : [Math.floor(minutes / 1440), 'd'];
  return `${count} ${sayCoded(speaker, `age.${unit}`)}`;
}
