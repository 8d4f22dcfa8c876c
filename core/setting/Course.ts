import { inRange, Problem } from '../quantity';
import { SETTING } from './constants';
import { excessTable, type Thermal } from './layerExcess';
import { inverseKelvin, rateOf } from './rate';
import { checkedTemperatures, temperatureAt, type Temperatures } from './Temperatures';

/** Everything that decides how fast one portion of one batch spends its life. */
export interface CourseInput {
  /** life in the pail and once spread, s at the reference temperature, retarder and mass not yet applied */
  readonly pail_life_s: number;
  readonly film_life_s: number;
  readonly Ea_J_mol: number;
  readonly reference_C?: number;
  /** factors, 1 where there is none */
  readonly retarder?: number;
  readonly massFactor?: number;
  /** temperature of the mix that counts in the rate, degC */
  readonly mix_C: number;
  /** what the pail relaxes to, degC; a figure or a course of it from first water */
  readonly surroundings_C: number | Temperatures;
  /** mixed mass in the pail, kg */
  readonly mass_kg: number;
  /** the slab under the layer, degC; a figure or a course of it from first water */
  readonly surface_C: number | Temperatures;
  readonly thickness_m: number;
  /** when this portion is spread, s from first water; Infinity while it stays in the pail */
  readonly placed_after_s: number;
  readonly layer?: Thermal;
  readonly base?: Thermal;
}

/** Eight-point Gauss-Legendre on [-1, 1]. */
const X8 = [
  -0.9602898564975363, -0.7966664774136267, -0.525532409916329, -0.1834346424956498, 0.1834346424956498, 0.525532409916329, 0.7966664774136267,
  0.9602898564975363,
];
const W8 = [
  0.10122853629037626, 0.22238103445337448, 0.31370664587788727, 0.362683783378362, 0.362683783378362, 0.31370664587788727, 0.22238103445337448,
  0.10122853629037626,
];

const TEMPERATURES = { least: -30, most: 90 } as const;

/** What a course may be of: least and most of each. */
const RANGES = [
  ['pail_life_s', 1, 1e7],
  ['film_life_s', 1, 1e7],
  ['Ea_J_mol', SETTING.activationLeast_J_mol, SETTING.activationMost_J_mol],
  ['mix_C', TEMPERATURES.least, TEMPERATURES.most],
  ['thickness_m', 2e-4, 2],
  ['mass_kg', 1e-3, 5000],
  ['placed_after_s', 0, Infinity],
] as const;

/** Checked without making anything: a ranking makes ten thousands of courses. @throws Problem `outOfRange` */
function checkCourse(input: CourseInput): void {
  for (const [quantity, least, most] of RANGES) {
    const value = input[quantity];
    if (!(value >= least && value <= most)) inRange({ quantity, value, least, most });
  }
}

/** No plan looks further than this, s. */
const FURTHEST_S = 60 * 86400;

/**
 * The course of one portion: the temperature it sees, second by second, from first water through the pail to the layer,
 * and the budget of 1 it spends on the way. The pail relaxes to its surroundings; the layer keeps the share of its
 * difference to the slab that conduction leaves it. Gauss points on panels that double in time.
 *
 * @example new Course(input).timeToSpend(1) // working life in seconds
 */
export class Course {
  private readonly EaOverR: number;
  private readonly inverseReference: number;
  private readonly tau: number;
  private readonly pail: PailKnots | null;
  private readonly surface: Temperatures | null;
  private readonly still_C: number;
  private readonly placed_C: number;
  private readonly xPerRoot: number;
  private readonly excess: (X: number) => number;
  private readonly pailRate: number;
  private readonly filmRate: number;
  private readonly spentInPail: number;
  private readonly placedAfter: number;
  /** ends of the layer's panels, as roots of time, and what is spent by each: worked out once, as far as anybody has asked */
  private readonly ends: number[] = [0];
  private readonly spentBy: number[];

  /** @throws Problem `outOfRange` for any temperature, thickness, mass or life outside its range */
  constructor(private readonly input: CourseInput) {
    const { layer = SETTING.mortar, base = SETTING.slab, retarder = 1, massFactor = 1, reference_C = SETTING.reference_C } = input;
    checkCourse(input);
    const air = checkedTemperatures('surroundings_C', input.surroundings_C, TEMPERATURES);
    this.surface = checkedTemperatures('surface_C', input.surface_C, TEMPERATURES);
    this.still_C = this.surface ? 0 : (input.surface_C as number);
    this.EaOverR = input.Ea_J_mol / SETTING.gasConstant_J_molK;
    this.inverseReference = inverseKelvin(reference_C);
    this.tau = SETTING.pailTime_s * Math.cbrt(input.mass_kg / SETTING.pailMass_kg);
    this.placedAfter = Math.min(input.placed_after_s, FURTHEST_S);
    this.pail = air ? pailKnots(air, input.mix_C, this.tau) : null;
    this.placed_C = this.pail_C(this.placedAfter);
    this.xPerRoot = Math.sqrt(layer.conductivity_W_mK / layer.heatCapacity_J_m3K) / input.thickness_m;
    this.excess = excessTable({ layer, base });
    this.pailRate = 1 / (input.pail_life_s * retarder * massFactor);
    this.filmRate = 1 / (input.film_life_s * retarder);
    this.spentInPail = Number.isFinite(input.placed_after_s) ? this.pailSpent(this.placedAfter) : Infinity;
    this.spentBy = [this.spentInPail];
  }

  private pail_C(t: number): number {
    const { mix_C, surroundings_C } = this.input;
    if (this.pail) return relaxed(this.pail, t, this.tau);
    return (surroundings_C as number) + (mix_C - (surroundings_C as number)) * Math.exp(-t / this.tau);
  }

  /** Temperature of this portion t seconds after first water, degC. */
  temperature_C(t: number): number {
    if (t <= this.placedAfter) return this.pail_C(t);
    return this.layer_C(Math.sqrt(t - this.placedAfter));
  }

  private layer_C(root: number): number {
    const surface_C = this.surface ? temperatureAt(this.surface, this.placedAfter + root * root) : this.still_C;
    return surface_C + this.excess(this.xPerRoot * root) * (this.placed_C - surface_C);
  }

  /** What is spent in a second of the pail, t seconds after first water. */
  private readonly pailSpends = (t: number): number => rateOf(this.pail_C(t), this.EaOverR, this.inverseReference) * this.pailRate;

  /** The same of the layer for one of u = sqrt(time in it), where the excess is smooth from the start: dt = 2 u du. */
  private readonly layerSpends = (u: number): number => 2 * u * rateOf(this.layer_C(u), this.EaOverR, this.inverseReference) * this.filmRate;

  private pailSpent(t: number): number {
    let sum = 0;
    for (let from = 0; from < t;) {
      const to = Math.min(t, this.nextInPail(from));
      sum += panelOf(this.pailSpends, from, to);
      from = to;
    }
    return sum;
  }

  /** Panels end where the course of the air bends. */
  private nextInPail(from: number): number {
    return Math.min(from + this.tau, this.pail ? kneeAfter(this.pail.air.at_s, from) : Infinity);
  }

  /** Panels double in time, and end where the course of the slab bends. */
  private nextRoot(root: number): number {
    const doubled = root === 0 ? 0.5 / this.xPerRoot : root * 2;
    if (!this.surface) return doubled;
    const knee = kneeAfter(this.surface.at_s, this.placedAfter + root * root) - this.placedAfter;
    return Math.min(doubled, Math.sqrt(knee));
  }

  /** The share of the budget spent t seconds after first water. */
  spentAt(t: number): number {
    if (t <= 0) return 0;
    if (t <= this.placedAfter) return this.pailSpent(t);
    const end = Math.sqrt(t - this.placedAfter);
    const { ends, spentBy } = this;
    let i = 0;
    while (this.endOf(i + 1) <= end) i += 1;
    return ends[i]! < end ? spentBy[i]! + panelOf(this.layerSpends, ends[i]!, end) : spentBy[i]!;
  }

  /** Where so many of the layer's panels end. */
  private endOf(i: number): number {
    const { ends, spentBy } = this;
    while (ends.length <= i) {
      const from = ends.at(-1)!;
      const to = this.nextRoot(from);
      spentBy.push(spentBy.at(-1)! + panelOf(this.layerSpends, from, to));
      ends.push(to);
    }
    return ends[i]!;
  }

  /**
   * How ln of what is spent t seconds after first water goes with each temperature it runs on, 1/K: of the mix, of what the
   * pail relaxes to, of the surface under the layer. A kelvin of each, all along the course.
   */
  sensitivityAt(t: number): { readonly mix: number; readonly surroundings: number; readonly surface: number } {
    const sums = { spent: 0, mix: 0, surroundings: 0, surface: 0 };
    const add = (at_C: number, weight: number, mix: number, surface: number): void => {
      const spent = weight * rateOf(at_C, this.EaOverR, this.inverseReference);
      const each = (spent * this.EaOverR) / (at_C + SETTING.kelvin_K) ** 2;
      sums.spent += spent;
      sums.mix += each * mix;
      sums.surface += each * surface;
      sums.surroundings += each * (1 - mix - surface);
    };
    const pailEnd = Math.min(t, this.placedAfter);
    for (let from = 0; from < pailEnd;) {
      const to = Math.min(pailEnd, this.nextInPail(from));
      const [half, middle] = [(to - from) / 2, (to + from) / 2];
      for (let i = 0; i < 8; i += 1) {
        const at = middle + half * X8[i]!;
        add(this.pail_C(at), W8[i]! * half * this.pailRate, Math.exp(-at / this.tau), 0);
      }
      from = to;
    }
    const end = Math.sqrt(Math.max(0, t - this.placedAfter));
    const placedMix = Math.exp(-this.placedAfter / this.tau);
    for (let from = 0; from < end;) {
      const to = Math.min(end, this.nextRoot(from));
      const [half, middle] = [(to - from) / 2, (to + from) / 2];
      for (let i = 0; i < 8; i += 1) {
        const root = middle + half * X8[i]!;
        const kept = this.excess(this.xPerRoot * root);
        add(this.layer_C(root), W8[i]! * 2 * root * half * this.filmRate, kept * placedMix, 1 - kept);
      }
      from = to;
    }
    const { spent, mix, surroundings, surface } = sums;
    return spent > 0 ? { mix: mix / spent, surroundings: surroundings / spent, surface: surface / spent } : { mix: 0, surroundings: 0, surface: 0 };
  }

  /**
   * When the budget has been spent to `share`, s from first water.
   *
   * @param share 0 or more; 1 is the whole working life
   */
  timeToSpend(share: number): number {
    inRange({ quantity: 'share', value: share, least: 0, most: 1e7 });
    let spent = 0;
    if (share <= this.spentInPail) {
      for (let from = 0; from < FURTHEST_S;) {
        const to = this.nextInPail(from);
        const panel = panelOf(this.pailSpends, from, to);
        if (spent + panel >= share) return within(this.pailSpends, { from, to, whole: panel, wanted: share - spent });
        spent += panel;
        from = to;
      }
      return FURTHEST_S;
    }
    for (let i = 0; this.ends[i]! ** 2 < FURTHEST_S; i += 1) {
      const to = this.endOf(i + 1);
      const [before, after] = [this.spentBy[i]!, this.spentBy[i + 1]!];
      if (after < share) continue;
      const root = within(this.layerSpends, { from: this.ends[i]!, to, whole: after - before, wanted: share - before });
      return this.placedAfter + root * root;
    }
    return FURTHEST_S;
  }
}

/** What is spent at a point of a panel. */
type Spends = (at: number) => number;

/** What is spent in a panel. */
function panelOf(spends: Spends, from: number, to: number): number {
  const half = (to - from) / 2;
  const middle = (to + from) / 2;
  let sum = 0;
  for (let i = 0; i < 8; i += 1) sum += W8[i]! * spends(middle + half * X8[i]!);
  return sum * half;
}

/** Where inside a panel the wanted amount of its whole is reached: Newton on the panel's own integral, which only rises; halved where a step leaves the bracket. */
function within(spends: Spends, { from, to, whole, wanted }: { from: number; to: number; whole: number; wanted: number }): number {
  let [low, high] = [from, to];
  let at = from + ((to - from) * wanted) / whole;
  for (let i = 0; i < 60; i += 1) {
    const over = panelOf(spends, from, at) - wanted;
    if (Math.abs(over) < 1e-12 * Math.max(wanted, 1e-9) || high - low < 1e-11 * Math.max(1, high)) return at;
    if (over < 0) low = at;
    else high = at;
    const next = at - over / spends(at);
    at = next > low && next < high ? next : (low + high) / 2;
  }
  throw new Problem('noConvergence', { quantity: 'life_s' });
}

interface PailKnots {
  readonly air: Temperatures;
  /** the pail at each knot of the air, degC */
  readonly C: readonly number[];
}

/** Slope of the surroundings in the segment that begins at a knot, K/s; level after the last. */
const slopeFrom = ({ at_s, C }: Temperatures, i: number): number => (i + 1 < at_s.length ? (C[i + 1]! - C[i]!) / (at_s[i + 1]! - at_s[i]!) : 0);

/** The pail relaxing to surroundings that run straight from a knot: exact for `tau T' = Ts - T`. */
function relaxing({ from_C, air_C, slope, since, tau }: { from_C: number; air_C: number; slope: number; since: number; tau: number }): number {
  const lag = slope * tau;
  return air_C + slope * since - lag + (from_C - air_C + lag) * Math.exp(-since / tau);
}

/** The pail at every knot of its surroundings, the first moved to first water. */
function pailKnots(given: Temperatures, mix_C: number, tau: number): PailKnots {
  const later = given.at_s.map((at, i) => ({ at, C: given.C[i]! })).filter(({ at }) => at > 0);
  const air: Temperatures = { at_s: [0, ...later.map(({ at }) => at)], C: [temperatureAt(given, 0), ...later.map(({ C }) => C)] };
  const C = [mix_C];
  for (let i = 1; i < air.at_s.length; i += 1) {
    const since = air.at_s[i]! - air.at_s[i - 1]!;
    C.push(relaxing({ from_C: C[i - 1]!, air_C: air.C[i - 1]!, slope: slopeFrom(air, i - 1), since, tau }));
  }
  return { air, C };
}

function relaxed({ air, C }: PailKnots, t: number, tau: number): number {
  let i = air.at_s.length - 1;
  while (i > 0 && air.at_s[i]! > t) i -= 1;
  return relaxing({ from_C: C[i]!, air_C: air.C[i]!, slope: slopeFrom(air, i), since: t - air.at_s[i]!, tau });
}

/** The first knot after t; Infinity after the last. */
function kneeAfter(at_s: readonly number[], t: number): number {
  for (const at of at_s) if (at > t * (1 + 1e-12) + 1e-9) return at;
  return Infinity;
}
