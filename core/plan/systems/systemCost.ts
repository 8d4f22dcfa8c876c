import type { OnSite } from '../../day';
import { ratesOf, type PlanInput } from '../input/PlanInput';

/** What a system costs, part by part, minor units. */
export interface SystemCost {
  readonly material_minor: number;
  readonly labour_minor: number;
  readonly trips_minor: number;
  readonly tools_minor: number;
  readonly disposal_minor: number;
  readonly total_minor: number;
}

/** The whole of a system at the firm's own rates: every hand that is there is paid for, whether it works or waits. */
export function systemCost({
  input,
  onSite,
  material_minor,
  tools,
  debris_kg,
}: {
  input: Pick<PlanInput, 'firm' | 'crew'>;
  onSite: OnSite;
  material_minor: number;
  /** tools on the mains */
  tools: number;
  debris_kg: number;
}): SystemCost {
  const rates = ratesOf(input.firm);
  const labour_minor = Math.round((onSite.hand_s / 3600) * input.crew.hands * rates.labour_minor_h);
  const trips_minor = Math.round(onSite.trips * rates.trip_minor);
  const tools_minor = Math.round(tools * onSite.days * rates.tool_minor_day);
  const disposal_minor = Math.round(debris_kg * rates.disposal_minor_kg);
  const total_minor = material_minor + labour_minor + trips_minor + tools_minor + disposal_minor;
  return { material_minor, labour_minor, trips_minor, tools_minor, disposal_minor, total_minor };
}
