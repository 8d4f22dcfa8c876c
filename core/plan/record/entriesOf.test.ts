import type { BatchState } from '../../pour';
import { Course, crewRecord, normals, predicted } from '../../setting';
import { flowOf, givesRange } from '../../shelf';
import type { CrackInput } from '../../survey';
import { crack, input, jobWith, sheetOf, typed } from '../../testing/job';
import { crackResin, crackSoak, lineLength } from '../../takeoff';
import { computePlan, entriesOf, jobEntriesOf, lifeOver, recordEntryOf, type PlanInput } from '../index';

const sheet = sheetOf('sandedRapid');
const at = (slab: number): PlanInput => ({
  ...input,
  conditions: { ...input.conditions, air_C: typed(slab), slab_C: typed(slab), powder_C: typed(slab), sun: false },
});
const poured = (
  of: PlanInput,
  { placed_s, ended_s, kind = 'finished' }: { placed_s: number | null; ended_s: number; kind?: 'finished' | 'wentHard' | 'thrown' },
) => {
  const [batch] = computePlan(of, { ranked: 'chosen' }).batches;
  const state: BatchState = {
    batch: '1',
    findingId: 'f',
    planId: 'p',
    key: batch!.key,
    startedAt: 1_000_000,
    person: 'lead',
    placedAt: placed_s === null ? null : 1_000_000 + placed_s * 1000,
    ends: [{ kind, at: 1_000_000 + ended_s * 1000, eventId: 'e' }],
    notes: [],
    tests: [],
    pail_C: null,
    slab_C: null,
    cleanedAt: null,
    full: false,
    running: false,
  };
  return { state, batch: batch!, input: of };
};
const lifeOf = (...asked: Parameters<typeof poured>) => entriesOf([poured(...asked)]).find(({ kind }) => kind === 'life');

test('a batch that went hard at the very end of its plan says what the sheet says, whatever the day', () => {
  for (const slab of [12, 21, 30]) {
    const of = at(slab);
    const { window } = poured(of, { placed_s: null, ended_s: 600 }).batch;
    const { flow_life_s, filmShare, course, pace } = window!.basis;
    // When the first of what stays in the pail, or of what is spread at once, has lived its whole life.
    const end = Math.min(
      ...[Infinity, pace.mix_s + pace.carry_s].map((placed_after_s) =>
        new Course({ ...course, pail_life_s: flow_life_s, film_life_s: flow_life_s * filmShare, placed_after_s }).timeToSpend(1),
      ),
    );
    const entry = lifeOf(of, { placed_s: null, ended_s: end, kind: 'wentHard' })!;
    const { ratio, reference_s } = crewRecord({
      prior_s: flow_life_s,
      prior_Ea_J_mol: course.Ea_J_mol,
      log: [recordEntryOf(entry)],
      reference_C: sheet.reference_C,
    });
    // One batch that lived as long as the sheet says moves nothing, and what it lasted is the sheet's life when so warm.
    expect(ratio).toBeCloseTo(1, 2);
    expect(reference_s / flow_life_s).toBeCloseTo(1, 2);
    const x = (1 / (entry.temperature_C! + 273.15) - 1 / (sheet.reference_C + 273.15)) / 8.314462618;
    expect((flow_life_s * Math.exp(course.Ea_J_mol * x)) / end).toBeCloseTo(1, 2);
    // Half as long again says more, half as long says less.
    const ratioFor = (share: number): number =>
      crewRecord({
        prior_s: flow_life_s,
        prior_Ea_J_mol: course.Ea_J_mol,
        log: [recordEntryOf(lifeOf(of, { placed_s: null, ended_s: end * share, kind: 'wentHard' })!)],
        reference_C: sheet.reference_C,
      }).ratio;
    expect(ratioFor(1.5)).toBeGreaterThan(1.01);
    expect(ratioFor(0.5)).toBeLessThan(0.99);
    expect(entry).toMatchObject({ censored: false, productId: sheet.productId, person: 'lead', batch: '1' });
    expect(Math.abs(entry.temperature_C! - slab)).toBeLessThan(14);
  }
});

test('finished in time says at least so much; thrown, unended or ended two ways says nothing; a pace is told by the placing', () => {
  const of = at(21);
  expect(lifeOf(of, { placed_s: 300, ended_s: 420 })).toMatchObject({ censored: true });
  expect(lifeOf(of, { placed_s: 300, ended_s: 420, kind: 'thrown' })).toBeUndefined();
  const both = poured(of, { placed_s: 300, ended_s: 420 });
  expect(
    entriesOf([{ ...both, state: { ...both.state, ends: [...both.state.ends, { kind: 'wentHard', at: 1_500_000, eventId: 'g' }] } }]).filter(
      ({ kind }) => kind === 'life',
    ),
  ).toEqual([]);
  expect(entriesOf([{ ...both, state: { ...both.state, ends: [] } }]).filter(({ kind }) => kind === 'life')).toEqual([]);
  const { mix_s, carry_s, place_s } = both.batch.window!.basis.pace;
  const rate = (placed_s: number) => entriesOf([poured(of, { placed_s, ended_s: placed_s + 90 })]).find(({ kind }) => kind === 'rate')?.value;
  expect(rate(mix_s + carry_s + place_s)!).toBeCloseTo(of.crew.rate_m2_s, 9);
  expect(rate(mix_s + carry_s + place_s / 2)!).toBeCloseTo(of.crew.rate_m2_s * 2, 9);
  expect(rate(mix_s + carry_s)).toBeUndefined();
});

test('what went hard under the tool, what somebody tapped at once, and what no sheet knows', () => {
  const of = at(21);
  const { window } = poured(of, { placed_s: 300, ended_s: 420 }).batch;
  const { finish_life_s, flow_life_s } = window!.basis;
  // A life of the tool counts as the flow's.
  const hard = lifeOf(of, { placed_s: 300, ended_s: 900, kind: 'wentHard' })!;
  expect(hard.value).toBeCloseTo((900 * flow_life_s) / finish_life_s, 6);
  expect(hard.censored).toBe(false);
  // Placed late and left at once: that it still flowed says more than that it still took the tool.
  const late = lifeOf(of, { placed_s: 400, ended_s: 405 })!;
  expect(late.value).toBe(400);
  expect(lifeOf(of, { placed_s: 2, ended_s: 5 })).toBeUndefined();
  expect(lifeOf(of, { placed_s: 5, ended_s: 420 })).toMatchObject({ censored: true });
  const unknown = poured(of, { placed_s: 300, ended_s: 420 });
  expect(entriesOf([{ ...unknown, input: { ...of, sheets: [] } }])).toEqual([]);
  expect(entriesOf([{ ...unknown, batch: { ...unknown.batch, productId: null } }])).toEqual([]);
  const { window: _none, ...brushed } = unknown.batch;
  expect(entriesOf([{ ...unknown, batch: { ...brushed, window: null } }])).toEqual([]);
  const retarded = at(21);
  expect(
    lifeOf({ ...retarded, batch: { ...retarded.batch, retarderDose: sheet.retarder.at(-1)![0] } }, { placed_s: 300, ended_s: 420 })!.retarder,
  ).toBeGreaterThan(1);
  expect(recordEntryOf({ value: 600, temperature_C: null, retarder: null, censored: false })).toEqual({ life_s: 600, temperature_C: 21, retarder: 1 });
});

test('lives over temperature: the sheet’s falls with the warmth, the crew’s own lies in its band, without a record there is none', () => {
  const plain = lifeOver({ sheet, record: undefined, from_C: 5, to_C: 35 });
  expect(plain).toHaveLength(13);
  plain.slice(1).forEach(({ sheet_s }, i) => expect(sheet_s).toBeLessThan(plain[i]!.sheet_s));
  expect(plain.every(({ yours }) => yours === null)).toBe(true);
  const record = crewRecord({
    prior_s: flowOf(sheet).reference_s,
    prior_Ea_J_mol: flowOf(sheet).Ea_J_mol,
    log: [{ life_s: 600, temperature_C: 24, retarder: 1 }],
  });
  for (const { yours } of lifeOver({ sheet, record, from_C: 5, to_C: 35, count: 4 })) {
    expect(yours!.p10).toBeLessThan(yours!.p50);
    expect(yours!.p50).toBeLessThan(yours!.p90);
  }
});

/** Two hundred are a minute of work: every run tells of these, and all of them by TUFA_SEASONS=200. */
const SEASONS = Number(process.env['TUFA_SEASONS'] ?? 40);

test('over seasons of two hundred batches each, what is learned holds eight in ten of what comes next', () => {
  const { reference_s, Ea_J_mol } = flowOf(sheet);
  let [inside, all] = [0, 0];
  for (let season = 1; season <= SEASONS; season += 1) {
    const draw = normals(season * 7919);
    const sd = givesRange(sheet) ? 0.45 : 0.25;
    const [b0, b1] = [Math.log(reference_s) + sd * draw(), Math.min(85_000, Math.max(20_000, Ea_J_mol + 15_000 * draw()))];
    const lifeAt = (temperature_C: number): number => {
      const x = (1 / (temperature_C + 273.15) - 1 / (sheet.reference_C + 273.15)) / 8.314462618;
      return Math.exp(b0 + b1 * x + 0.2 * draw());
    };
    const log = Array.from({ length: 200 }, () => {
      const temperature_C = 20 + 6 * draw();
      const life_s = lifeAt(temperature_C);
      // Most are used up in the time the work takes: they say only that they would have lived longer.
      const work_s = reference_s * 0.6 * Math.exp(0.3 * draw());
      return work_s < life_s ? { temperature_C, retarder: 1, life_s: work_s, censored: true } : { temperature_C, retarder: 1, life_s };
    });
    const record = crewRecord({ prior_s: reference_s, prior_Ea_J_mol: Ea_J_mol, log, reference_C: sheet.reference_C, givesRange: givesRange(sheet) });
    for (let n = 0; n < 10; n += 1) {
      const temperature_C = 20 + 6 * draw();
      const { p10, p90 } = predicted(record, { temperature_C, reference_C: sheet.reference_C });
      const life_s = lifeAt(temperature_C);
      all += 1;
      if (life_s >= p10 && life_s <= p90) inside += 1;
    }
  }
  expect(inside / all).toBeGreaterThan(0.76);
  expect(inside / all).toBeLessThan(0.84);
});

describe('what a whole job shows', () => {
  const of = at(21);
  const listed = computePlan(of, { ranked: 'chosen' }).batches.filter(({ window }) => window);
  const done = (batch: (typeof listed)[number], more: Partial<BatchState> = {}) => {
    const made = poured(of, { placed_s: 120, ended_s: 400 });
    return { ...made, batch, state: { ...made.state, key: batch.key, batch: batch.number, ...more } };
  };

  test('its waste is what was mixed over the list, once all of the list has ended', () => {
    const all = listed.map((batch) => done(batch));
    const waste = (list: readonly ReturnType<typeof done>[]) => jobEntriesOf({ listed, input: of, poured: list }).find(({ kind }) => kind === 'waste')?.value;
    expect(waste(all)).toBeCloseTo(0.005, 9);
    const extra = done(listed[0]!, { batch: `${listed[0]!.number}b` });
    const sum = listed.reduce((amount, batch) => amount + batch.amount, 0);
    expect(waste([...all, extra])).toBeCloseTo(listed[0]!.amount / sum, 9);
    expect(waste(all.slice(1))).toBeUndefined();
    expect(waste([])).toBeUndefined();
    // Twice as much and more was another job.
    expect(
      waste(
        Array.from({ length: 3 }, (_, i) =>
          all.map((each) => ({ ...each, state: { ...each.state, ...(i > 0 ? { batch: `${each.state.batch}${'bc'[i - 1]}` } : {}) } })),
        ).flat(),
      ),
    ).toBeUndefined();
    expect(waste([...all.slice(1), done(listed[0]!, { ends: [] })])).toBeUndefined();
  });

  describe('how deep resin sank into the sand of a crack', () => {
    const wide: CrackInput = { ...crack, depth: typed(0.06), cap_m: 0.012, runaway: 0.1, widths: crack.widths.map(([along]) => [along, 0.01] as const) };
    const job = jobWith(wide, sheetOf('crackResin'));
    const resin = computePlan(job, { ranked: 'chosen' }).batches.find(({ shots }) => shots)!;
    const shot = (nth: number, more: Partial<BatchState> = {}) => {
      const { state } = poured(at(21), { placed_s: 60, ended_s: 90 });
      const number = nth === 1 ? resin.number : `${resin.number}-${nth}`;
      return { batch: resin, input: job, state: { ...state, findingId: wide.id, key: resin.key, batch: number, startedAt: nth * 1e6, ...more } };
    };
    const soak = (list: readonly ReturnType<typeof shot>[], of: PlanInput = job) =>
      jobEntriesOf({ listed: [], input: of, poured: list }).find(({ kind }) => kind === 'soakDepth');
    const shots = (count: number, full = true) => Array.from({ length: count }, (_, i) => shot(i + 1, { full: full && i === count - 1 }));
    const size = { profile: wide.profile, length_m: lineLength(wide.line), width_m: 0.01, depth_m: 0.06, cap_m: 0.012 };
    const count = Math.ceil((crackResin({ ...size, soakDepth_m: 0.01 }) * 1.1) / resin.shots!.shot_m3);

    test('all shots but half of the last, once it is full', () => {
      const entry = soak(shots(count))!;
      expect(entry).toMatchObject({ productId: sheetOf('crackResin').productId, batch: count === 1 ? resin.number : `${resin.number}-${count}` });
      expect(crackResin({ ...size, soakDepth_m: entry.value }) * 1.1).toBeCloseTo((count - 0.5) * resin.shots!.shot_m3, 7);
    });

    test.each([
      ['it is not full yet', () => soak(shots(count, false))],
      ['nothing was squeezed', () => soak([])],
      ['of two batches nobody knows which filled it', () => soak([...shots(count), shot(1, { batch: '99' })])],
      ['it took more than the whole bed holds', () => soak(shots(count * 40))],
      [
        'its cap alone takes as much',
        () => soak([shot(1, { full: true })].map((each) => ({ ...each, batch: { ...resin, shots: { ...resin.shots!, shot_m3: 1e-6 } } }))),
      ],
      ['it has no bed', () => soak(shots(count), { ...job, findings: [{ ...wide, widths: wide.widths.map(([along]) => [along, 0.0005] as const) }] })],
      ['its product is not known any more', () => soak(shots(count).map((each) => ({ ...each, input: { ...job, sheets: [] } })))],
    ])('nothing where %s', (_, said) => {
      expect(said()).toBeUndefined();
    });
  });

  test('resin that a crack took says how deep it sank: the turned round figure is the figure', () => {
    const vee = { profile: 'vee', length_m: 2, width_m: 0.012, depth_m: 0.05, cap_m: 0.012 } as const;
    for (const soakDepth_m of [0.002, 0.006, 0.02]) expect(crackSoak(vee, crackResin({ ...vee, soakDepth_m }))).toBeCloseTo(soakDepth_m, 5);
    expect(crackSoak(vee, 1e-6)).toBeNull();
    expect(crackSoak(vee, 1)).toBeNull();
  });

  test('a batch that a skin ended says what it had lost of its water; any other says nothing of a skin', () => {
    const windy = { ...at(33), conditions: { ...at(33).conditions, humidity: typed(0.15), wind_ms: typed(9) } };
    const { batch } = poured(windy, { placed_s: 60, ended_s: 100 });
    const { drying, course, pace } = batch.window!.basis;
    const skinned = { ...batch, window: { ...batch.window!, window: { ...batch.window!.window, binding: 'skin' as const } } };
    const loses_s = (0.08 * 3600 * drying!.mixWater_kg_m3 * course.thickness_m) / drying!.evaporation_kg_m2h;
    const made = poured(windy, { placed_s: null, ended_s: pace.mix_s + pace.carry_s + loses_s, kind: 'wentHard' });
    const skin = (each: typeof made) => entriesOf([each]).find(({ kind }) => kind === 'skinShare')?.value;
    expect(skin({ ...made, batch: skinned })).toBeCloseTo(0.08, 6);
    const placed = { ...made.state, placedAt: made.state.startedAt + 5000 };
    expect(skin({ ...made, batch: skinned, state: placed })).toBeGreaterThan(0.08);
    // So little or so much was no skin.
    for (const by of [0.01, 10]) {
      const at_ms = made.state.startedAt + (pace.mix_s + pace.carry_s + loses_s * by) * 1000;
      expect(skin({ ...made, batch: skinned, state: { ...made.state, ends: [{ kind: 'wentHard', at: at_ms, eventId: 'e' }] } })).toBeUndefined();
    }
    expect(skin({ ...made, batch: skinned, state: { ...made.state, ends: [...made.state.ends, ...made.state.ends] } })).toBeUndefined();
    expect(
      skin({ ...made, batch: { ...skinned, window: { ...batch.window!, window: { ...batch.window!.window, binding: 'flow' as const } } } }),
    ).toBeUndefined();
  });
});
