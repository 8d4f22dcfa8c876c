/** A time of the day as it is written, `10`, `10:30`, `10.30` or `10h`, s from midnight; null for what is none. 24 ends the day. */
export function readClock(text: string): number | null {
  const found = /^\s*(\d{1,2})(?:[:.h](\d{2})?)?\s*$/.exec(text);
  const [hour, minute] = [Number(found?.[1] ?? NaN), Number(found?.[2] ?? 0)];
  return minute < 60 && hour * 60 + minute <= 24 * 60 ? (hour * 60 + minute) * 60 : null;
}
