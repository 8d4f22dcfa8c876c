export type { SystemSection } from './SystemSection';
export { overlaysFor } from './overlayOf';
export { sectionLayers, sectionOf } from './sectionOf';
