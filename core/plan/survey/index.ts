export type { ElementSurvey, Survey } from './Survey';
export type { TakeOff } from './TakeOff';
export { stoppedIn } from './stoppedIn';
export { surveyOf } from './surveyOf';
export { takeOffOf } from './takeOffOf';
