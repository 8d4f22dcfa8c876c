import type { StageHashes } from '../Plan';
import type { PlanInput } from './PlanInput';
import { hashOf } from './hashOf';
import { namedOnly } from './namedOnly';
import { sheetOf } from './sheetOf';

/** A hash for each stage of a plan, over what that stage is worked out from. */
export function hashesOf(input: PlanInput): StageHashes {
  const { elements, findings, treatments, firm, conditions, crew, batch } = input;
  const chosen = treatments.map(({ sheetId }) => sheetOf(input, sheetId) ?? null);
  const over = treatments.map(({ overlay }) => sheetOf(input, overlay?.sheetId) ?? null);
  const soaks = input.record?.figures.soakDepth ?? [];
  const takeOff = hashOf({ elements: elements.map(({ name: _name, sun: _sun, ...rest }) => rest), findings, ...(soaks.length > 0 ? { soaks } : {}) });
  const layers = hashOf({ takeOff, treatments, chosen, ...(over.some(Boolean) ? { over } : {}), ...(input.house ? { house: input.house } : {}) });
  const quantities = hashOf({
    layers,
    firm: { waste: firm.medianWaste, quantile: firm.orderQuantile },
    consistency: batch.consistency ?? null,
    ...(input.stock ? { stock: input.stock } : {}),
  });
  const batches = hashOf({ quantities, firm, crew, batch });
  const { site, wanted_s } = input;
  // What the crew knows of other products changes nothing here.
  const { record } = namedOnly(input);
  const suns = elements.flatMap(({ id, sun }) => (sun ? [{ id, sun }] : []));
  const day = hashOf({ batches, conditions, ...(site ? { site, suns } : {}), ...(record ? { record } : {}), ...(wanted_s === undefined ? {} : { wanted_s }) });
  return { takeOff, layers, quantities, batches, day };
}
