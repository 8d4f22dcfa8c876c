import { MIX, textureOf } from '../../mix';
import { sigmaOf } from '../../quantity';
import type { SkimInput } from '../../survey';
import { counterArea, perimeter, skimVolume, TAKEOFF } from '../../takeoff';
import { facing } from '../steps/facing';
import { lifting } from '../steps/lifting';
import { atStep } from '../steps/atStep';
import { preparing } from '../steps/preparing';
import type { Damage } from './Damage';
import { layTasks, ORDINARY, ordinaryAsks } from './ordinary';

/** A skim or overlay over a profile. */
export const skim: Damage<SkimInput> = {
  ...ORDINARY,
  use: 'overlay',
  wetEdge: true,
  // A riser is brushed on wet; an overlay is spread and broomed at once.
  tasks: (_finding, asked) => (asked.element.kind === 'step' ? ['brush', 'spread'] : layTasks(asked)),
  work(_finding, { kind, marks = [] }) {
    if (kind === 'wall' || kind === 'soffit' || kind === 'step') return 'skim';
    return marks.some(({ what }) => what === 'obstacle') ? 'overlayObstacles' : 'overlay';
  },
  covers: true,
  reinforceable: false,
  // On a step it is the riser, unless somebody says that it is another face.
  asks: ({ thickness: { value: deepest_m }, onStep }, site) =>
    ordinaryAsks(deepest_m, { layer: true, stands: site?.element.kind === 'step' && (onStep?.face ?? 'riser') === 'riser' }),
  takeOff({ outline, cutouts_m2 = [], thickness, profile }) {
    const area_m2 = counterArea({ outline, cutouts_m2 });
    const texture_m = textureOf(profile);
    const volume_m3 = skimVolume({ area_m2, thickness_m: thickness.value, texture_m });
    // The texture is known worse than the thickness: each counts by its share of the volume.
    const share = (area_m2 * texture_m) / volume_m3;
    const sigma = Math.hypot(share * sigmaOf(MIX.textureSpread), (1 - share) * sigmaOf(thickness.spread ?? TAKEOFF.dimensionSpread));
    return { area_m2, edge_m: perimeter(outline), volume_m3, sigma, rough_m2: 0, removed_m3: 0, more: { texture_m } };
  },
  movedTo: (finding, points) => ({ ...finding, outline: points }),
  removing: (context) => [...atStep(context.finding.onStep), ...preparing(context)],
  filling: (context) => lifting(context, 'step.spread'),
  finishing: (context) => facing(context),
  section: ({ finding, takeOff }) => ({ kind: 'skim', layer_m: takeOff.deepest_m, texture_m: textureOf(Math.max(1, finding.profile)) }),
  body: ({ layer_m }) => [{ code: 'fill', thickness_m: layer_m }],
};
