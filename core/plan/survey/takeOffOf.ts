import { MIX, textureOf } from '../../mix';
import { rangedOf, sigmaOf, type Measured } from '../../quantity';
import { deepestOf, type CounterInput, type CrackInput, type FindingInput, type GrooveInput, type SpallInput, type StepInput } from '../../survey';
import {
  counterArea,
  counterLoad,
  crackResin,
  crackSand,
  cutList,
  debrisOf,
  filledWidth,
  flightOf,
  formBallast,
  formPressure,
  formThrust,
  groovePasses,
  jointWidth,
  lineLength,
  meanWidth,
  perimeter,
  polygonArea,
  prismVolume,
  propForce,
  rebuiltStep,
  skimVolume,
  TAKEOFF,
  underWater,
  volumeFromReadings,
  volumeFromShape,
  wedgeVolume,
} from '../../takeoff';
import type { TakeOff } from '../Plan';

/** What a kind of finding gives before the parts that all share. */
interface Taken {
  readonly area_m2: number;
  readonly edge_m: number;
  readonly volume_m3: number;
  /** sd of ln volume */
  readonly sigma: number;
  /** area whose roughness takes more of the material than the volume says */
  readonly rough_m2: number;
  /** broken out beforehand, m3 */
  readonly removed_m3: number;
  readonly length_m?: number;
  readonly more?: Readonly<Record<string, number>>;
  readonly strips?: readonly (readonly number[])[];
}

/** What the crew has learned of it. */
interface Learned {
  readonly soakDepth_m?: number;
}

/** Sizes that err independently: the root of the sum of the squares of their sds of ln. */
const sigmaOfSizes = (sizes: readonly Measured[], least: number): number =>
  Math.max(sigmaOf(least), Math.hypot(...sizes.map(({ spread }) => sigmaOf(spread ?? 0))));

/** The depths of a spall as its volume is taken from them. A shoulder nobody measured is at least as deep as the shallowest reading. */
export function spallReadings({ outline, readings = [], edge, cutDepth_m }: SpallInput): Parameters<typeof volumeFromReadings>[0] {
  const shallowest_m = readings.reduce((least, [, , depth_m]) => Math.min(least, depth_m), Infinity);
  return { outline, readings, edge: edge === 'cut' ? 'square' : 'feathered', cutDepth_m: cutDepth_m ?? (readings.length > 0 ? shallowest_m : 0) };
}

function spallOf(finding: SpallInput): Taken {
  const area_m2 = polygonArea(finding.outline);
  const base = { area_m2, edge_m: perimeter(finding.outline), rough_m2: area_m2 };
  const readings = finding.readings ?? [];
  if (readings.length < 4) {
    const volume_m3 = volumeFromShape({ area_m2, deepest_m: deepestOf(finding), shape: finding.shape });
    return { ...base, volume_m3, removed_m3: volume_m3, sigma: sigmaOf(Math.max(TAKEOFF.shapeSpread, finding.deepest.spread ?? 0)) };
  }
  const { volume_m3, range } = volumeFromReadings(spallReadings(finding));
  return { ...base, volume_m3, removed_m3: volume_m3, sigma: sigmaOf(range) };
}

function crackOf(finding: CrackInput, learned: Learned): Taken {
  const length_m = lineLength(finding.line);
  const width_m = meanWidth(finding.widths);
  const crack = { profile: finding.profile, length_m, width_m, depth_m: finding.depth.value, cap_m: finding.cap_m };
  const covered_m = width_m + 2 * TAKEOFF.lap_m;
  return {
    area_m2: length_m * covered_m,
    edge_m: 2 * length_m,
    volume_m3: crackResin({ ...crack, ...learned }) * (1 + finding.runaway),
    sigma: Math.max(sigmaOf(TAKEOFF.crackSpread), sigmaOf(finding.depth.spread ?? 0)),
    rough_m2: 0,
    removed_m3: 0,
    length_m,
    more: { width_m, sand_m3: crackSand(crack) },
  };
}

function grooveOf(finding: GrooveInput): Taken {
  const length_m = lineLength(finding.line);
  const cut = { groove_m: finding.width.value, blade_m: finding.blade_m };
  const width_m = filledWidth(cut);
  const { moves } = finding;
  const least_m = moves ? jointWidth({ length_m: moves.between_m, temperatureRange_K: moves.range_K, movementClass: moves.movementClass }) : 0;
  // A joint that moves is filled half as deep as it is wide, over a rod.
  const depth_m = moves ? width_m * TAKEOFF.sealantDepthShare : finding.depth.value;
  return {
    area_m2: length_m * width_m,
    edge_m: 2 * length_m,
    volume_m3: length_m * width_m * depth_m,
    sigma: sigmaOfSizes([finding.width, finding.depth], TAKEOFF.dimensionSpread),
    rough_m2: 0,
    removed_m3: length_m * width_m * finding.depth.value,
    length_m,
    more: { width_m, passes: groovePasses(cut), ...(moves ? { least_m, rod_m: TAKEOFF.rodOverJoint * width_m, sealant_m: depth_m } : {}) },
  };
}

function stepOf(finding: StepInput): Taken {
  const [width_m, going_m, rise_m] = [finding.width.value, finding.going.value, finding.rise.value];
  const { steps } = finding;
  const flight = flightOf({ width_m, going_m, rise_m: rise_m * steps, steps });
  const volume_m3 = steps * rebuiltStep({ width_m, going_m, rise_m, stays_m3: finding.stays_m3, pitch: finding.pitch });
  const fill = { density_kg_m3: TAKEOFF.fresh_kg_m3, depth_m: rise_m, length_m: width_m };
  const thrust_N = formThrust(fill);
  return {
    area_m2: steps * width_m * going_m,
    edge_m: 2 * steps * (width_m + going_m),
    volume_m3,
    sigma: sigmaOfSizes([finding.width, finding.going, finding.rise], TAKEOFF.dimensionSpread),
    rough_m2: steps * width_m * going_m,
    removed_m3: volume_m3,
    length_m: steps * width_m,
    more: {
      angle_rad: flight.angle_rad,
      slope_m: flight.slope_m,
      pressure_Pa: formPressure(fill),
      thrust_N,
      holdDown_kg: formBallast(fill),
      prop_N: propForce({ thrust_N, angle_rad: finding.propAngle_rad }),
    },
  };
}

function counterOf(finding: CounterInput): Taken {
  const { outline, cutouts_m2, edges, stock_m, kerf_m } = finding;
  const thickness_m = finding.thickness.value;
  const edges_m3 = edges.reduce((sum, edge) => sum + prismVolume({ section: 'rectangle', ...edge }), 0);
  const area_m2 = counterArea({ outline, cutouts_m2 });
  const sides = outline.map(([x, y], i) => {
    const [nx, ny] = outline[(i + 1) % outline.length]!;
    return Math.hypot(nx - x, ny - y);
  });
  const load = counterLoad({ outline, cutouts_m2, thickness_m, density_kg_m3: TAKEOFF.fresh_kg_m3, edges_m3, length_m: Math.max(...sides) });
  // A side longer than its stock is spliced: whole stocks and what is left.
  const parts_m = sides.flatMap((side) => [
    ...Array.from({ length: Math.floor(side / stock_m - 1e-9) }, () => stock_m),
    side - Math.floor(side / stock_m - 1e-9) * stock_m,
  ]);
  return {
    area_m2,
    edge_m: perimeter(outline),
    volume_m3: area_m2 * thickness_m + edges_m3,
    sigma: sigmaOfSizes([finding.thickness], TAKEOFF.dimensionSpread),
    rough_m2: 0,
    removed_m3: 0,
    more: { ...load, edges_m3 },
    strips: cutList({ parts_m, stock_m, kerf_m }).stocks.map((stock) => stock.map((piece) => parts_m[piece] as number)),
  };
}

function takenOf(finding: FindingInput, learned: Learned): Taken {
  switch (finding.kind) {
    case 'spall':
      return spallOf(finding);
    case 'crack':
      return crackOf(finding, learned);
    case 'groove':
      return grooveOf(finding);
    case 'step':
      return stepOf(finding);
    case 'counter':
      return counterOf(finding);
    case 'edge': {
      const size = { section: finding.section, length_m: finding.length.value, across_m: finding.across.value, down_m: finding.down.value };
      const volume_m3 = prismVolume(size);
      return {
        area_m2: size.length_m * size.across_m,
        edge_m: 2 * (size.length_m + size.across_m),
        volume_m3,
        sigma: sigmaOfSizes([finding.length, finding.across, finding.down], TAKEOFF.dimensionSpread),
        rough_m2: size.length_m * (size.across_m + size.down_m),
        removed_m3: volume_m3,
        length_m: size.length_m,
      };
    }
    case 'skim': {
      const area_m2 = counterArea({ outline: finding.outline, cutouts_m2: finding.cutouts_m2 ?? [] });
      const texture_m = textureOf(finding.profile);
      const volume_m3 = skimVolume({ area_m2, thickness_m: finding.thickness.value, texture_m });
      // The texture is known worse than the thickness: each counts by its share of the volume.
      const share = (area_m2 * texture_m) / volume_m3;
      const sigma = Math.hypot(share * sigmaOf(MIX.textureSpread), (1 - share) * sigmaOf(finding.thickness.spread ?? TAKEOFF.dimensionSpread));
      return { area_m2, edge_m: perimeter(finding.outline), volume_m3, sigma, rough_m2: 0, removed_m3: 0, more: { texture_m } };
    }
    case 'wedge': {
      const size = { run_m: finding.run.value, rise_m: finding.rise.value, width_m: finding.width.value };
      return {
        area_m2: size.run_m * size.width_m,
        edge_m: 2 * (size.run_m + size.width_m),
        volume_m3: wedgeVolume(size),
        sigma: sigmaOfSizes([finding.run, finding.rise, finding.width], TAKEOFF.dimensionSpread),
        rough_m2: size.run_m * size.width_m,
        removed_m3: 0,
      };
    }
    case 'void': {
      const area_m2 = polygonArea(finding.outline);
      const { volume_m3, portions } = underWater({ volume_m3: volumeFromShape({ area_m2, deepest_m: finding.deepest.value, shape: finding.shape }) });
      const sigma = sigmaOf(Math.max(TAKEOFF.shapeSpread, finding.deepest.spread ?? 0));
      return { area_m2, edge_m: perimeter(finding.outline), volume_m3, sigma, rough_m2: area_m2, removed_m3: 0, more: { portions } };
    }
  }
}

/**
 * What a finding measures: surface, edge, volume with its P10-P90, what is broken out and carried away, and what its
 * kind adds (sand for a crack, passes for a groove, thrust and props for a step, weight and strips for a countertop,
 * hand portions for a void).
 *
 * @throws Problem `outOfRange` and the outline's own problems
 */
export function takeOffOf(finding: FindingInput, learned: Learned = {}): TakeOff {
  const taken = takenOf(finding, learned);
  return {
    area_m2: taken.area_m2,
    perimeter_m: taken.edge_m,
    deepest_m: deepestOf(finding),
    mean_m: taken.volume_m3 / taken.area_m2,
    volume: rangedOf(taken.volume_m3, taken.sigma),
    sigma: taken.sigma,
    rough_m2: taken.rough_m2,
    length_m: taken.length_m ?? null,
    debris: taken.removed_m3 > 0 ? debrisOf(taken.removed_m3) : null,
    more: taken.more ?? {},
    strips: taken.strips ?? [],
  };
}
