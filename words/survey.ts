import type { FoundKind, ReadingFields, RowOf } from '@tufa/contract/entities';
import { print, tradeLength, typeset, type Kind, type Measured, type Ranged } from '@tufa/core/quantity';
import type { MarkKind } from '@tufa/core/survey';
import type { Point } from '@tufa/core/takeoff';
import { printFigure } from './figures';
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
export const planKind = (finding: Finding): Exclude<FoundKind, 'mark'> | MarkKind => (finding.kind === 'mark' ? finding.properties.what : finding.kind);

/** What a label on the plan says beside the letter. */
function figureOf(speaker: Speaker, finding: Finding): string {
  switch (finding.kind) {
    case 'spall':
      return textOf(speaker, finding.properties.deepest, 'length');
    case 'crack':
    case 'joint':
      return textOf(speaker, finding.properties.width, 'length');
    case 'edge':
      return textOf(speaker, finding.properties.down, 'length');
    case 'skim':
    case 'counter':
      return textOf(speaker, finding.properties.thickness, 'length');
    case 'wedge':
    case 'step':
      return textOf(speaker, finding.properties.rise, 'length');
    case 'void':
      return textOf(speaker, finding.properties.deepest, 'length');
    case 'mark':
      return '';
  }
}

/** A finding as a plan draws it. */
export const planFinding = (speaker: Speaker, finding: Finding, chosen = false) => ({
  id: finding.id,
  label: finding.label,
  kind: planKind(finding),
  points: finding.outline.points,
  depth: figureOf(speaker, finding),
  chosen,
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

const told = (speaker: Speaker, name: string, value: Measured): string =>
  value.source === 'assumed'
    ? `${printFigure(speaker, name, value.value)} ${say(speaker, 'state.assumed')}`
    : (value.typed ?? printFigure(speaker, name, value.value));

/** What a finding says of itself in a line. */
export function findingText(speaker: Speaker, finding: Finding): string {
  switch (finding.kind) {
    case 'spall': {
      const { shape, deepest, edge } = finding.properties;
      return say(speaker, 'walk.sub', {
        shape: say(speaker, `word.shape.${shape}`),
        deepest: told(speaker, 'deepest_m', deepest),
        edge: say(speaker, `word.edge.${edge}`).toLowerCase(),
      });
    }
    case 'crack':
    case 'joint':
      return say(speaker, 'walk.subLine', {
        width: told(speaker, 'width_m', finding.properties.width),
        depth: told(speaker, 'depth_m', finding.properties.depth),
      });
    case 'edge':
      return say(speaker, 'walk.subEdge', {
        across: told(speaker, 'across_m', finding.properties.across),
        down: told(speaker, 'down_m', finding.properties.down),
      });
    case 'skim': {
      const { thickness, profile } = finding.properties;
      return say(speaker, 'walk.subSkim', { thickness: told(speaker, 'thickness_m', thickness), csp: profile });
    }
    case 'wedge':
      return say(speaker, 'walk.subWedge', { run: told(speaker, 'run_m', finding.properties.run), rise: told(speaker, 'rise_m', finding.properties.rise) });
    case 'step': {
      const { going, rise, steps } = finding.properties;
      return say(speaker, 'walk.subStep', { count: steps, going: told(speaker, 'going_m', going), rise: told(speaker, 'rise_m', rise) });
    }
    case 'counter': {
      const { thickness, dropped } = finding.properties;
      const told_m = told(speaker, 'thickness_m', thickness);
      return dropped
        ? say(speaker, 'walk.subDropped', { thickness: told_m, down: told(speaker, 'down_m', dropped.down) })
        : say(speaker, 'walk.subCounter', { thickness: told_m });
    }
    case 'void': {
      const { shape, deepest } = finding.properties;
      return say(speaker, 'walk.subVoid', { shape: say(speaker, `word.shape.${shape}`), deepest: told(speaker, 'deepest_m', deepest) });
    }
    case 'mark':
      return finding.properties.note ?? '';
  }
}

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
