export type { DayAsk, DayBar, DayCode, DayLimit, DayPlan, DayRest, DayTurn, DayWhy, FixedWork } from './DayPlan';
export { dayPlanOf, leastChange } from './dayPlanOf';
export { dayOfJobs, type JobInTurn, type JobOfDay } from './dayOfJobs';
export { nextDoseOf, shadedOf } from './helped';
export { type BroomStrip, stripsOf } from './stripsOf';
export type { Freed } from './freedBy';
export { busiest, visitsOf } from './operationsOf';
export { type DayOdds, oddsOf } from './oddsOf';
