export { vibrationOf } from './vibrationOf';
export { type Caution, CAUTIONS, type CautionScreen, cautionsOn } from './cautions';
export { KIT_GROUPS, type KitCode, type KitItem, kitOf } from './kitOf';
