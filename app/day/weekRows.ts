import type { WeekOfProduct } from '@tufa/core/plan';
import type { WeekCell } from '@tufa/draw/weekScene';
import type { Speaker } from '@tufa/words/speak';
import type { WeekDays } from './useWeek';
import { sayDate } from '@tufa/words/dates';

const MARKS = {
  rain: 'wet',
  frost: 'cold',
  cold: 'cold',
  heat: 'hot',
  dark: 'dark',
  gone: 'dark',
  closed: 'dark',
  dew: 'wet',
  skin: 'short',
  short: 'short',
} as const;

/** The days of the week as they are drawn. */
export function rowsOf(speaker: Speaker, product: WeekOfProduct, days: WeekDays) {
  const byTime = new Map(product.hours.map((hour) => [hour.at_ms, hour]));
  const found = (ms: number | null) => (ms === null ? undefined : byTime.get(ms));
  return days.days.map(({ day, at_ms }) => ({
    text: sayDate(speaker, day, 'shortWeekday'),
    hours: at_ms.map(found),
    cells: at_ms.map((ms): WeekCell => {
      const hour = found(ms);
      if (!hour) return { good: false, minutes: null, mark: 'unknown' };
      return { good: hour.why === null, minutes: Math.floor(hour.placeBy_s / 60), mark: hour.why && MARKS[hour.why] };
    }),
  }));
}

/** How many hours are good. */
export const goodHours = ({ hours }: WeekOfProduct): number => hours.filter(({ why }) => why === null).length;

/** Of several products the one with the fewest good hours decides: it is looked at first. */
export const tightest = (products: readonly WeekOfProduct[]): WeekOfProduct | undefined => [...products].sort((a, b) => goodHours(a) - goodHours(b))[0];
