/** Everything that follows a finger, with the library that reads it, as one part. */
export { PlanLegend, PlanView } from '../walk/PlanView';
export { Photos } from '../photos/Photos';
