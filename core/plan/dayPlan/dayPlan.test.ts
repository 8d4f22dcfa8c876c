import fc from 'fast-check';
import { aids } from '../../shelf/catalogue';
import type { FindingInput } from '../../survey';
import { rectangle } from '../../takeoff';
import { crack, element, input, sheetOf, typed } from '../../testing/job';
import type { HourWeather } from '../../weather';
import { computePlan, kitOf, weekAsks, weekOf, type PlanInput, type TreatmentInput } from '../index';
import { dayPlanOf as planned, leastChange } from './dayPlanOf';
import { freedBy } from './freedBy';
import type { DayAsk } from './DayPlan';
import { oddsOf } from './oddsOf';
import { operationsOf, visitsOf } from './operationsOf';

const H = 3600;
/** A little is tried: what a day holds is not how good it is. */
const dayPlanOf: typeof planned = (of, plan, asked) => planned(of, plan, asked, { tried: 0.01 });
const two: PlanInput = {
  ...input,
  findings: [
    ...input.findings,
    {
      ...input.findings[0]!,
      id: 'g',
      label: 'B',
      outline: [
        [3, 1],
        [3.8, 1],
        [3.8, 1.6],
        [3, 1.6],
      ],
    } as never,
  ],
  treatments: [...input.treatments, { findingId: 'g', sheetId: input.treatments[0]!.sheetId }],
};
const plan = computePlan(two, { ranked: 'chosen' });
const ask: DayAsk = { firstWater_s: 10 * H, from_s: 6 * H, opensBy_s: null };

/** What a plan of a day breaks of its own lags, hands, windows. */
function brokenIn(of: PlanInput, asked: DayAsk): string[] {
  const made = computePlan(of, { ranked: 'chosen' });
  const day = dayPlanOf(of, made, asked);
  if (day.clash || day.done_s === null) return [];
  const arrive = day.bars.find(({ id }) => id === 'arrive')!;
  const work = operationsOf(of, made, asked, arrive.start_s, 3);
  const by = new Map(day.bars.map((bar) => [bar.id, bar]));
  const late = work.lags.flatMap(({ from, to, least_s, most_s }) => {
    const gap = by.get(to)!.start_s - by.get(from)!.end_s;
    return gap < least_s || (most_s !== null && gap > most_s) ? [`${from} > ${to}: ${gap}`] : [];
  });
  const busy = day.bars.flatMap(({ start_s }) => {
    const hands = day.bars.filter((bar) => bar.start_s <= start_s && bar.end_s > start_s).reduce((sum, bar) => sum + bar.hands, 0);
    return hands > of.crew.hands ? [`${hands} hands at ${start_s}`] : [];
  });
  return [...late, ...busy];
}

test('where one alone finishes, no two batches are laid at once that a face is finished of', () => {
  const laidTogether = (finishers: number): boolean => {
    const crew = { ...two.crew, hands: 4, finishers };
    const lays = dayPlanOf({ ...two, crew }, computePlan({ ...two, crew }, { ranked: 'chosen' }), ask).bars.filter(({ code }) => code === 'lay');
    return lays.some((bar) => lays.some((other) => other !== bar && other.start_s < bar.end_s && bar.start_s < other.end_s));
  };
  expect(laidTogether(1)).toBe(false);
});

test('they come so that the first water falls where it is wanted, and every batch of the list stands in the day once', () => {
  const day = dayPlanOf(two, plan, ask);
  expect(day.clash).toBeNull();
  const mixed = day.bars.filter(({ code }) => code === 'mix');
  expect(mixed.map(({ batch }) => batch).sort()).toEqual(
    plan.batches
      .filter(({ window }) => window)
      .map(({ number }) => number)
      .sort(),
  );
  expect(Math.abs(Math.min(...mixed.map(({ start_s }) => start_s)) - 10 * H)).toBeLessThan(20 * 60);
  expect(day.bars[0]).toMatchObject({ id: 'arrive', why: { code: 'first' } });
  expect(day.bars.at(-1)).toMatchObject({ id: 'clean' });
  expect(day.opens!.at_s).toBeGreaterThan(Math.max(...mixed.map(({ start_s }) => start_s)));
});

test('whatever is asked of a day, what it gives holds every lag and never more hands than there are', () => {
  fc.assert(
    fc.property(
      fc.record({
        hands: fc.integer({ min: 2, max: 4 }),
        first: fc.integer({ min: 7, max: 14 }),
        fixed: fc.option(fc.record({ start: fc.integer({ min: 8, max: 15 }), hands: fc.integer({ min: 0, max: 1 }) }), { nil: null }),
      }),
      ({ hands, first, fixed }) => {
        const of = { ...two, crew: { ...two.crew, hands } };
        const other = fixed ? [{ id: 'other', name: 'delivery', start_s: fixed.start * H, duration_s: 1800, hands: fixed.hands }] : [];
        expect(brokenIn(of, { ...ask, firstWater_s: first * H, fixed: other })).toEqual([]);
      },
    ),
    { numRuns: 4 },
  );
});

test('a bar that is dragged stays where it is put and the rest follows; where it cannot be, the clash is named and told how it goes', () => {
  const { bars } = dayPlanOf(two, plan, ask);
  const mix = bars.find(({ id }) => id === 'mix 1')!;
  const later = dayPlanOf(two, plan, { ...ask, pins: { 'mix 1': mix.start_s + H } });
  expect(later.bars.find(({ id }) => id === 'mix 1')).toMatchObject({ start_s: mix.start_s + H, why: { code: 'pinned' } });
  expect(later.done_s!).toBeGreaterThan(bars.at(-1)!.end_s - 1);
  const before = dayPlanOf(two, plan, { ...ask, pins: { 'mix 1': 6 * H } });
  expect(before.clash).toMatchObject({ freed: 'pins' });
  expect(before.clash!.operations.length).toBeGreaterThan(0);
  expect(before.done_s).not.toBeNull();
});

test('the smallest change that frees a day is enough, and a step less is not', () => {
  const small = computePlan(input, { ranked: 'chosen' });
  const day = (asked: Partial<DayAsk>) => dayPlanOf(input, small, { ...ask, ...asked });
  const least = (asked: Partial<DayAsk>) => leastChange(input, small, { ...ask, ...asked }, day(asked))!;
  const opens = least({ opensBy_s: 11 * H });
  expect(opens).toMatchObject({ limit: 'opensBy', id: null });
  expect(day({ opensBy_s: 11 * H + opens.by_s }).clash).toBeNull();
  expect(day({ opensBy_s: 11 * H + opens.by_s - 600 }).clash).not.toBeNull();
  const { by_s, id } = least({ pins: { 'mix 1': 6 * H } });
  expect(day({ pins: { [id!]: 6 * H + by_s } }).clash).toBeNull();
  // Another's work goes to the nearer side.
  const fixed = [{ id: 'x', name: 'screed', start_s: 10 * H, duration_s: H, hands: 2 }];
  const sides = (holds: (start_s: number) => boolean) =>
    freedBy('fixed', { ...ask, fixed }, ({ fixed: moved }) => ({ holds: holds(moved![0]!.start_s), starts_s: {} }));
  expect(sides((start) => start <= 8 * H || start >= 13 * H)).toEqual({ limit: 'fixed', by_s: -2 * H, id: 'x' });
  expect(sides(() => false)).toBeNull();
  expect(leastChange(input, small, ask, day({}))).toBeNull();
});

test('no good hour, or an opening that no hour gives: said with what was let go', () => {
  const sheetId = two.treatments[0]!.sheetId;
  expect(dayPlanOf(two, plan, { ...ask, good: { [sheetId]: [] } }).clash).toMatchObject({ freed: 'weather' });
  expect(dayPlanOf(two, plan, { ...ask, opensBy_s: 7 * H }).clash).toMatchObject({ freed: 'opensBy' });
  const hurried = dayPlanOf(two, plan, { ...ask, good: { [sheetId]: [[10 * H, 15 * H]] } });
  expect(hurried.clash).toBeNull();
  expect(hurried.turnsOn === null || hurried.turnsOn.spare_s >= 0).toBe(true);
});

test('what waits for days is another visit, and nothing to do is no day', () => {
  const coat = {
    ...plan.batches.at(-1)!,
    number: '99',
    waits: [{ on: plan.batches[0]!.number, least_s: 3 * 86400, most_s: null, reason: 'dryFace' as const }],
  };
  const visits = visitsOf({ ...plan, batches: [...plan.batches, coat] }, 8 * H);
  expect(visits).toEqual([plan.batches.map(({ number }) => number), ['99']]);
  expect(dayPlanOf(two, { ...plan, batches: [] }, ask)).toMatchObject({ bars: [], done_s: null, clash: null });
});

const found = { id: 'f', elementId: 'e', label: 'A' };
const aidOf = (name: string): string => aids.find((aid) => aid.class === name)!.id;
const wall = { ...element, kind: 'wall', exposures: [], opens: null } as const;
const plain = { ...element, exposures: [], opens: null };

/** A job of each kind, its material by class, what bonds, cures and coats it where something does. */
const JOBS: readonly (readonly [what: string, finding: FindingInput, material: string, more: Partial<PlanInput>, treatment: Partial<TreatmentInput>])[] = [
  ['a crack with resin, shots, grinding', { ...crack, ...found }, 'crackResin', { elements: [{ ...plain, moisture: 'dry' }] }, {}],
  [
    'three steps in their forms',
    { ...found, kind: 'step', width: typed(1.2), going: typed(0.3), rise: typed(0.17), steps: 3, stays_m3: 0.04, pitch: 0.02, propAngle_rad: 1 },
    'structuralRapid',
    { elements: [{ ...plain, kind: 'step' }] },
    {},
  ],
  [
    'a wall in lifts',
    { ...found, kind: 'skim', outline: rectangle({ length_m: 2, width_m: 1 }), thickness: typed(0.025), profile: 5 },
    'renderRepair',
    { elements: [wall] },
    {},
  ],
  [
    'an overlay that is cured and coated',
    { ...found, kind: 'skim', outline: rectangle({ length_m: 3, width_m: 2 }), thickness: typed(0.003), profile: 3 },
    'broomOverlay',
    { elements: [plain] },
    { aids: { cure: aidOf('curing'), coat: aidOf('silane') } },
  ],
  [
    'a patch with an agent under it',
    { ...input.findings[0]!, ...found } as FindingInput,
    'edgeMortar',
    { elements: [plain] },
    { aids: { bond: aids.find(({ name }) => /wet on wet/.test(name))!.id } },
  ],
  [
    'a patch under its overlay, cured',
    { ...input.findings[0]!, ...found } as FindingInput,
    'sandedRapid',
    { elements: [plain] },
    { overlay: { sheetId: sheetOf('broomOverlay').id, thickness_m: 0.003, over: 'patch' }, aids: { cure: aidOf('curing') } },
  ],
  [
    'concrete on a slurry',
    { ...input.findings[0]!, ...found, deepest: typed(0.06), cutDepth_m: 0.06, shape: 'pan' } as FindingInput,
    'rapidConcrete',
    { elements: [{ ...plain, thickness: typed(0.3) }], house: { bond: 'slurry' } },
    {},
  ],
];

const MILD: HourWeather = { air_C: 17, humidity: 0.5, wind10_ms: 2, cloud: 0.4, irradiance_Wm2: null };
const WEATHER_OF_JUNE = {
  latitude_deg: 44,
  longitude_deg: 2,
  clock_h: 2,
  weather: { from: '2026-06-01T00:00:00Z', hours: Array.from({ length: 120 }, () => MILD) },
};
const MORNINGS = Array.from({ length: 12 }, (_, i) => Date.parse('2026-06-04T06:00:00Z') + i * 3_600_000);

test.each(JOBS)(
  '%s: whatever hands and hours, its day holds its waits, its odds are odds, its week and kit are told',
  (_what, finding, material, more, treatment) => {
    const sheet = sheetOf(material);
    const of: PlanInput = {
      ...input,
      findings: [finding],
      sheets: [sheet, sheetOf('broomOverlay')],
      aids,
      treatments: [{ findingId: 'f', sheetId: sheet.id, ...treatment }],
      ...more,
    };
    // One hand through many batches is a long search: the short ones have it.
    for (const hands of finding.kind === 'skim' || finding.kind === 'step' ? [2] : [1, 2]) {
      const crew = { ...of, crew: { ...of.crew, hands } };
      const made = computePlan(crew, { ranked: 'chosen' });
      expect(made.batches.length).toBeGreaterThan(0);
      const asked = {
        ...ask,
        good: {
          [sheet.id]: [
            [9 * H, 11 * H],
            [12 * H, 17 * H],
          ] as const,
        },
      };
      const day = dayPlanOf(crew, made, asked);
      expect(brokenIn(crew, asked)).toEqual([]);
      const kit = kitOf(crew, made);
      expect(new Set(kit.map(({ key }) => key)).size).toBe(kit.length);
      const weeks = weekOf({ asks: weekAsks(crew, made), site: WEATHER_OF_JUNE, conditions: crew.conditions, at_ms: MORNINGS, now_ms: MORNINGS[0]! });
      for (const { hours } of weeks) expect(hours).toHaveLength(MORNINGS.length);
      if (day.done_s === null) continue;
      expect(new Set(day.bars.flatMap(({ batch }) => batch ?? []))).toEqual(new Set(day.visits[day.visit]));
      for (const { why } of day.bars) if ('on' in why) expect(day.bars.some(({ id }) => id === why.on)).toBe(true);
      const odds = oddsOf(crew, made, day, asked, { days: 200 })!;
      for (const chance of [odds.noneLost, ...Object.values(odds.lost)]) expect(chance >= 0 && chance <= 1).toBe(true);
      if (hands === 2) for (const [visit] of day.visits.entries()) expect(dayPlanOf(crew, made, { ...ask, firstWater_s: null, visit }).visit).toBe(visit);
    }
  },
);

test('a finding nobody has chosen for is no work of the day; nothing that is brushed on alone has odds', () => {
  const unchosen: PlanInput = { ...two, treatments: [two.treatments[0]!] };
  const made = computePlan(unchosen, { ranked: 'chosen' });
  const day = dayPlanOf(unchosen, made, ask);
  expect(day.bars.flatMap(({ findings }) => findings)).not.toContain('g');
  const site = { ...WEATHER_OF_JUNE, firstWater: '2026-06-04T08:00:00Z' };
  const outside = { ...unchosen, site };
  const odds = oddsOf(outside, computePlan(outside, { ranked: 'chosen' }), day, { ...ask, opensBy_s: 20 * H }, { days: 100 })!;
  expect(odds.opensInTime).toBeGreaterThan(0.5);
});

test('nobody comes to wait for the weather: a first water held back lets them come later', () => {
  const sheetId = two.treatments[0]!.sheetId;
  const asked = { ...ask, firstWater_s: 9 * H };
  const [open, late] = [dayPlanOf(two, plan, asked), dayPlanOf(two, plan, { ...asked, good: { [sheetId]: [[13 * H, 18 * H]] } })];
  const comes = ({ bars }: typeof open): number => bars.find(({ id }) => id === 'arrive')!.start_s;
  expect(comes(late) - comes(open)).toBeGreaterThan(3 * H);
  expect(Math.min(...late.bars.filter(({ code }) => code === 'mix').map(({ start_s }) => start_s))).toBeGreaterThanOrEqual(13 * H);
});

test('a search is told how far it is and ends when it is asked to, with the best so far', () => {
  let heard = 0;
  const watch = (): boolean => (heard += 1) < 2;
  expect(planned(two, plan, ask, { watch }).done_s).not.toBeNull();
  expect(heard).toBeGreaterThan(0);
});
