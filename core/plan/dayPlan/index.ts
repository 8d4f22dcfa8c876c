export type { DayAsk, DayBar, DayCode, DayLimit, DayPlan, DayRest, DayTurn, DayWhy, FixedWork } from './DayPlan';
export { dayPlanOf, leastChange } from './dayPlanOf';
export type { Freed } from './freedBy';
export { busiest, visitsOf } from './operationsOf';
export { type DayOdds, oddsOf } from './oddsOf';
