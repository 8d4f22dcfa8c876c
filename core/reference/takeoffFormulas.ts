import {
  counterArea,
  counterMass,
  crackResin,
  crackSand,
  cutList,
  formBallast,
  formPressure,
  formThrust,
  groovePasses,
  hollowInterval,
  hollowShare,
  jointWidth,
  volumeFromReadings,
  wedgeThinRun,
  wedgeVolume,
  wilson,
  type DepthReading,
  type Point,
} from '../takeoff';

type Readings = { polygon: Point[]; readings: DepthReading[]; edge: 'feathered' | 'square'; cutDepth_m?: number };
type Counter = { polygon: Point[]; cutouts_m2: number[] };
type Taps = { hollow: number; taps: number; z: number };
type Ballast = Parameters<typeof formBallast>[0];

/** Quantities taken off, by the names of the reference file. */
export const TAKEOFF_FORMULAS = {
  volumeFromReadings: ({ polygon, ...rest }: Readings) => volumeFromReadings({ outline: polygon, ...rest }).volume_m3,
  hollowShare: (i: Parameters<typeof hollowShare>[0]) => hollowShare(i).share,
  hollowInterval: (i: Parameters<typeof hollowInterval>[0]) => {
    const { low, high } = hollowInterval(i);
    return [low, high];
  },
  'wilson.low': ({ hollow, taps, z }: Taps) => wilson({ share: hollow / taps, n: taps, z }).low,
  'wilson.high': ({ hollow, taps, z }: Taps) => wilson({ share: hollow / taps, n: taps, z }).high,
  crackResin,
  crackSand,
  groovePasses,
  'wedge.volume': wedgeVolume,
  'wedge.thinRun': wedgeThinRun,
  'cutList.stocks': (i: Parameters<typeof cutList>[0]) => cutList(i).stocks.length,
  'counter.area': ({ polygon, cutouts_m2 }: Counter) => counterArea({ outline: polygon, cutouts_m2 }),
  'counter.mass': ({ polygon, ...rest }: Counter & { thickness_m: number; density_kg_m3: number }) => counterMass({ outline: polygon, ...rest }),
  formPressure,
  formThrust,
  formBallast: (i: Ballast) => formBallast(i),
  jointWidth,
};
