import type { UsedFault, WaterDrift } from '@tufa/core/mix';
import { say, printMeasure } from '@tufa/words';
import type { Speaker } from '@tufa/words/speak';

/** What is wrong with what went in, in the measures of the vessel. */
export function faultText(speaker: Speaker, fault: UsedFault): string {
  switch (fault.code) {
    case 'waterOver': {
      const { most_m3, lost_share } = fault.figures;
      return say(speaker, 'used.fault.waterOver', { most: printMeasure(speaker, 'volume', most_m3), lost_share });
    }
    case 'waterUnder':
      return say(speaker, 'used.fault.waterUnder', { least: printMeasure(speaker, 'volume', fault.figures.least_m3) });
    case 'sandOver':
      return say(speaker, 'used.fault.sandOver', { most: printMeasure(speaker, 'mass', fault.figures.most_kg) });
    case 'retarderOver':
      return say(speaker, 'used.fault.retarderOver', fault.figures);
    case 'retarderOff':
      return say(speaker, 'used.fault.retarderOff', fault.figures);
    case 'partsOff':
      return say(speaker, 'used.fault.partsOff', fault.figures);
    case 'partsSwapped':
      return say(speaker, 'used.fault.partsSwapped');
  }
}

/** How a batch's water is off the first one's, and what that does. */
export const driftText = (speaker: Speaker, { drift, strength }: WaterDrift, number: string): string =>
  drift > 0
    ? say(speaker, 'used.wetter', { number, drift_share: drift, lost_share: 1 - strength })
    : say(speaker, 'used.drier', { number, drift_share: -drift });
