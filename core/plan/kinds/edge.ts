import { depthReasons, type EdgeInput } from '../../survey';
import { lineLength, prismVolume, TAKEOFF } from '../../takeoff';
import { facing } from '../steps/facing';
import { liftingToFace } from '../steps/lifting';
import { atStep } from '../steps/atStep';
import { breakingOut } from '../steps/preparing';
import { riserMethod } from '../steps/riserMethod';
import type { Damage } from './Damage';
import { sigmaOfSizes } from './Taken';
import { facedLayers } from './facedLayers';
import { faceTasks, ORDINARY, ordinaryAsks } from './ordinary';

const deepest = ({ across, down }: EdgeInput): number => Math.min(across.value, down.value);

/** A broken edge or nosing. */
export const edge: Damage<EdgeInput> = {
  ...ORDINARY,
  use: 'edge',
  carries: true,
  tasks: (_finding, { house, takeOff }) => faceTasks(riserMethod(house, takeOff.deepest_m)),
  asks: (finding) => ordinaryAsks(deepest(finding)),
  takeOff({ section, length, across, down }) {
    const size = { section, length_m: length.value, across_m: across.value, down_m: down.value };
    const volume_m3 = prismVolume(size);
    return {
      area_m2: size.length_m * size.across_m,
      edge_m: 2 * (size.length_m + size.across_m),
      volume_m3,
      sigma: sigmaOfSizes([length, across, down], TAKEOFF.dimensionSpread),
      rough_m2: size.length_m * (size.across_m + size.down_m),
      removed_m3: volume_m3,
      length_m: size.length_m,
    };
  },
  movedTo: (finding, points) => ({ ...finding, length: { ...finding.length, value: lineLength(points) } }),
  verdict: (finding, { element }) => depthReasons({ element, label: finding.label, deepest_m: deepest(finding) }),
  removing: (context) => [...atStep(context.finding.onStep), ...breakingOut(context)],
  filling: (context) => liftingToFace(context),
  finishing: (context) => facing(context),
  section: ({ finding: { across, down, section }, house, takeOff }) => ({
    kind: 'edge',
    across_m: across.value,
    down_m: down.value,
    section,
    face: riserMethod(house, takeOff.deepest_m),
  }),
  body: ({ down_m, face }) => facedLayers(down_m, face),
};
