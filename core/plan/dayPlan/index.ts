export type { DayAsk, DayBar, DayCode, DayLimit, DayPlan, DayRest, DayTurn, DayWhy, FixedWork } from './DayPlan';
export { dayPlanOf } from './dayPlanOf';
export { busiest, visitsOf } from './operationsOf';
export { type DayOdds, oddsOf } from './oddsOf';
