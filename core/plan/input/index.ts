export {
  AID_ROLES,
  type AidRole,
  type BatchInput,
  type Conditions,
  type CrewInput,
  DEFAULT_BATCH,
  DEFAULT_CREW,
  DEFAULT_FIRM,
  DEFAULT_RATES,
  type LayerMix,
  layerKey,
  type FirmSettings,
  type NamedPlace,
  type OverlayInput,
  type Place,
  type PlanInput,
  type PouredLayer,
  type Rates,
  ratesOf,
  type SiteInput,
  type TreatmentInput,
} from './PlanInput';
export { canonical, hashOf } from './hashOf';
export { hashesOf } from './hashesOf';
export { namedOnly } from './namedOnly';
export { prepared, recordOf } from './crewFigures';
export { rateOf } from './rateOf';
export { aidOf, sheetOf } from './sheetOf';
export { Site } from './site';
