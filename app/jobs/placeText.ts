import type { Place } from '@tufa/core/plan';

const DEGREES = /^([-+]?)\s*(\d{1,3}(?:[.,]\d+)?)\s*°?\s*([NSEW]?)$/i;

/** One coordinate as it is written, degrees; null for none. */
function degreesOf(text: string, letters: string): { readonly value: number; readonly letter: string } | null {
  const found = DEGREES.exec(text.trim());
  if (!found) return null;
  const letter = found[3]!.toUpperCase();
  if (letter !== '' && !letters.includes(letter)) return null;
  const value = Number(found[2]!.replace(',', '.')) * (found[1] === '-' ? -1 : 1);
  return { value: letter === 'S' || letter === 'W' ? -value : value, letter };
}

/** North first, parted by a comma, a semicolon or blanks: `37.98, -78.95`, `37.98 N 78.95 W`, `37,98; -78,95`. @returns null for what is no place */
export function readPlace(text: string): Place | null {
  const trimmed = text.trim();
  const splits = [/\s*;\s*/, /,\s+/, /(?<=[NSns])\s*,?\s*/, /\s+(?=[-+]?\d)/, /,(?=[-+]?\d)/];
  for (const split of splits) {
    const halves = trimmed.split(split);
    if (halves.length !== 2) continue;
    const [latitude, longitude] = [degreesOf(halves[0]!, 'NS'), degreesOf(halves[1]!, 'EW')];
    if (latitude && longitude && Math.abs(latitude.value) <= 90 && Math.abs(longitude.value) <= 180)
      return { latitude_deg: latitude.value, longitude_deg: longitude.value };
  }
  return null;
}

/** A place as it is written. */
export const placeText = ({ latitude_deg, longitude_deg }: Place): string => `${Number(latitude_deg.toFixed(4))}, ${Number(longitude_deg.toFixed(4))}`;

/** The zone whose clocks a place goes by. The map of zones is fetched when it is needed. */
export async function zoneOf({ latitude_deg, longitude_deg }: Place): Promise<string> {
  const { default: look } = await import('@photostructure/tz-lookup');
  return look(latitude_deg, longitude_deg);
}
