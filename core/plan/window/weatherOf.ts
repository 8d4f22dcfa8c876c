import type { Reason } from '../../choose';
import { classFigures, type Sheet } from '../../shelf';
import { WEATHER } from '../../weather';
import type { Context } from '../input/Context';
import type { AidPlan } from '../Plan';
import { knownAid } from '../input/sheetOf';
import { curingOf, placedCourse, type MilestoneTime } from './milestones';
import { sheltered } from './sheltered';
import type { Opening } from './opensOf';
import type { WindowAnswer } from './windowFor';

interface Weathered extends Context {
  readonly window: WindowAnswer;
  readonly opens: Opening | null;
  readonly readiness: readonly MilestoneTime[];
  readonly aids: readonly AidPlan[];
}

/** When frost does it no harm, s from first water: by its sheet's strengths, else by its class's, which is said. */
export function frostSafe({ window, sheet }: Pick<Weathered, 'window' | 'sheet'>): { readonly safe_s: number; readonly assumed: boolean } | null {
  if (window.frostSafe_s !== null) return { safe_s: window.frostSafe_s, assumed: false };
  const ofClass: Sheet = { ...sheet, strengths: classFigures(sheet.class).strengths };
  const course = placedCourse(window.basis.course, window.window.placeNeeds_s);
  const { frostSafe_s } = curingOf({ sheet: ofClass, course, retarder: window.retarder });
  return frostSafe_s === null ? null : { safe_s: frostSafe_s, assumed: true };
}

/** Frost before the layer bears it: looked for in every hour that is known. */
function frostOf(context: Weathered): Reason[] {
  const { sheet, site, finding, window } = context;
  if (!sheet.water) return [];
  const { surface_C } = window.basis.course;
  const freezes_s = site ? site.freezesAfter() : typeof surface_C === 'number' && surface_C < 0 ? 0 : null;
  if (freezes_s === null) return [];
  const frost = frostSafe(context);
  if (!frost || freezes_s >= frost.safe_s) return [];
  const figures = { findingId: finding.id, safe_s: frost.safe_s, freezes_s };
  return [{ code: frost.assumed ? 'frost.assumed' : 'frost.early', verdict: 'no', figures }];
}

/** Rain before it stands it: none before a foot may go on it, none on a coat before it is dry. */
function rainOf({ input, element, finding, site, readiness, opens, aids }: Weathered): Reason[] {
  if (sheltered(element, finding)) return [];
  const foot_s = readiness.find(({ name }) => name === 'foot')?.after_s ?? readiness.find(({ name }) => name === 'final')?.after_s;
  if (foot_s === undefined) return [];
  const until_s = opens?.to === 'foot' ? opens.after_s : foot_s;
  const coats = aids.flatMap(({ role, aidId }) => {
    const { waits_s, times } = knownAid(input, aidId);
    return role === 'coat' ? [{ from_s: waits_s, until_s: waits_s + (times.dry_s ?? 0), code: 'coat' as const }] : [];
  });
  return [{ from_s: 0, until_s, code: 'fill' as const }, ...coats].flatMap(({ from_s, until_s: dry_s, code }): Reason[] => {
    const { rain_s } = input.conditions;
    // Rain is told to come within so long: it falls on what is soft until then, and may on what is dry sooner.
    if (rain_s !== undefined && rain_s >= from_s) {
      const figures = { findingId: finding.id, rain_s, dry_s: dry_s - from_s };
      return [rain_s < dry_s ? { code: `rain.${code}`, verdict: 'no', figures } : { code: `rain.${code}Soon`, verdict: 'caution', figures }];
    }
    const forecast = site?.rainBetween(from_s, dry_s);
    return forecast && forecast.chance >= WEATHER.rainChance
      ? [
          {
            code: `rain.${code}Chance`,
            verdict: 'caution',
            figures: { findingId: finding.id, chance_share: forecast.chance, rain_s: forecast.at_s, dry_s: dry_s - from_s },
          },
        ]
      : [];
  });
}

/** What of the weather that is known may spoil it: frost while it is weak, rain while it is soft. */
export const weatherOf = (context: Weathered): Reason[] => [...frostOf(context), ...rainOf(context)];
