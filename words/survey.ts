import type { ReadingFields, RowOf } from '@tufa/contract/entities';
import type { CounterProperties } from '@tufa/contract/kinds/counter';
import type { RepairedKind } from '@tufa/contract/kinds/index';
import { print, tradeLength, typeset, type Kind, type Measured, type Ranged } from '@tufa/core/quantity';
import { waterLine, type MarkKind } from '@tufa/core/survey';
import { extent, type Point } from '@tufa/core/takeoff';
import { printFigure } from './figures';
import { saidKind } from './kinds';
import { say, sayCoded } from './speak';
import type { Speaker } from './speak';

type Finding = RowOf<'finding'>;

/** A value in the firm's units, with them. */
export function inUnits(speaker: Speaker, kind: Kind, value: number, fine = false): string {
  const { digits, unit } = print({ kind, value, system: speaker.system, fine });
  return typeset(unit ? `${digits} ${unit}` : digits);
}

/** What was typed; a figure nobody typed prints in the firm's units. */
export function textOf(speaker: Speaker, measured: Measured, kind: Kind): string {
  if (measured.typed !== undefined) return measured.typed;
  if (measured.source === 'assumed') return say(speaker, 'keypad.unknown');
  return kind === 'length' && speaker.system === 'us' ? typeset(tradeLength({ length_m: measured.value })) : inUnits(speaker, kind, measured.value);
}

/** What a finding is drawn as: its kind, or what a mark marks. */
export const planKind = (finding: Finding): RepairedKind | MarkKind => (finding.kind === 'mark' ? finding.properties.what : finding.kind);

/** What a label on the plan says beside the letter. */
const figureOf = (speaker: Speaker, finding: Finding): string =>
  finding.kind === 'mark' ? '' : textOf(speaker, saidKind(finding).figure(finding.properties), 'length');

/** An element as a plan draws it: its outline with what is open in it, the steps of a flight, water that stands at it, and north. */
export function planShape({ kind, geometry, properties }: Pick<RowOf<'element'>, 'geometry'> & Partial<Pick<RowOf<'element'>, 'kind' | 'properties'>>) {
  const { outline, openings, flight, north_deg } = geometry;
  const water_m = kind && properties?.water ? waterLine({ kind, outline, water: properties.water }) : null;
  return {
    outline,
    ...(openings ? { openings } : {}),
    ...(flight ? { flight } : {}),
    ...(water_m === null ? {} : { water_m }),
    ...(north_deg === undefined ? {} : { north_deg }),
  };
}

/** Tap holes of a top, where they lie. */
function tapHoles(points: readonly Point[], holes: NonNullable<CounterProperties['holes']>): { at: Point; radius_m: number }[] {
  const { left_m, top_m } = extent(points);
  return holes.map(({ left, top, across }) => ({ at: [left_m + left.value, top_m + top.value], radius_m: across.value / 2 }));
}

/** A finding as a plan draws it. */
export const planFinding = (speaker: Speaker, finding: Finding, chosen = false) => ({
  id: finding.id,
  label: finding.label,
  kind: planKind(finding),
  points: finding.outline.points,
  depth: figureOf(speaker, finding),
  chosen,
  ...(finding.kind === 'counter' && finding.properties.holes ? { holes: tapHoles(finding.outline.points, finding.properties.holes) } : {}),
});

/** Depths and widths where they were read; each is printed when the plan has room for it. */
export const planReadings = (speaker: Speaker, readings: readonly ReadingFields[], elementId: string): { at: Point; text: string }[] =>
  readings.flatMap(({ kind, elementId: of, at, value }) =>
    (kind === 'depth' || kind === 'width') && of === elementId && at
      ? [
          {
            at,
            get text() {
              return value.typed ?? printFigure(speaker, kind === 'depth' ? 'depth_m' : 'width_m', value.value);
            },
          },
        ]
      : [],
  );

/** Where it was tapped, and what rang hollow. */
export const planTaps = (readings: readonly ReadingFields[], elementId: string): { at: Point; hollow: boolean }[] =>
  readings.flatMap(({ kind, elementId: of, at, value }) => (kind === 'sounding' && of === elementId && at ? [{ at, hollow: value.value === 1 }] : []));

/** Less than this is told in the ounces or millilitres of the jug, m3. */
const FINE_M3 = 1.5e-3;

/** A volume as the crew would say it, and its range in the same unit. */
export function volumeText(speaker: Speaker, { p10, p50, p90 }: Pick<Ranged, 'p10' | 'p50' | 'p90'>): { text: string; range: string } {
  const fine = p50 < FINE_M3;
  const told = (value: number) => print({ kind: 'volume', value, system: speaker.system, fine });
  const [low, high] = [told(p10), told(p90)];
  // "1 qt 4-9 oz" would be misread: where a figure has two units, both ends say theirs.
  const short = low.unit === high.unit && !/\s/.test(low.digits) && !/\s/.test(high.digits);
  return {
    text: inUnits(speaker, 'volume', p50, fine),
    range: say(speaker, 'walk.range', { low: short ? low.digits : inUnits(speaker, 'volume', p10, fine), high: inUnits(speaker, 'volume', p90, fine) }),
  };
}

/** What a finding says of itself in a line. */
export const findingText = (speaker: Speaker, finding: Finding): string =>
  finding.kind === 'mark' ? (finding.properties.note ?? '') : saidKind(finding).line(speaker, finding.properties);

/** Tests of a surface. */
export const TESTS = ['scratch', 'drop_s', 'pull_Pa', 'strength_Pa', 'moisture'] as const;
export type Test = (typeof TESTS)[number];
/** Whether a reading is one of them. */
export const isTest = (kind: string): kind is Test => (TESTS as readonly string[]).includes(kind);

/** What a test of a surface read, as it would be said. */
export function testText(speaker: Speaker, test: Test, { value, typed }: Measured): string {
  if (test === 'scratch') return sayCoded(speaker, `walk.scratch.${value}`);
  if (typed !== undefined) return typed;
  return test === 'moisture' ? `${Math.round(value * 1000) / 10}\u00a0%` : inUnits(speaker, test === 'drop_s' ? 'duration' : 'pressure', value);
}
