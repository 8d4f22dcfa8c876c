export { weekAsks } from './weekAsks';
export { type HourLooked, hourOf } from './hourOf';
export { type GoodRun, HOUR_REASONS, type HourReason, type WeekHour, type WeekOfProduct } from './Week';
export { forecastSd, goodRuns, type WeekAsk, weekOf } from './weekOf';
