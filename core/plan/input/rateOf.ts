import { DAY, type Work } from '../../day';
import type { PlanInput } from './PlanInput';

/**
 * How fast one person of this crew does a kind of work: as the job says, else the firm, else as most do, quicker or slower
 * by as much as this crew's fills are.
 *
 * @returns m2/s; along a line m/s; hand portions 1/s
 */
export const rateOf = ({ crew, firm }: Pick<PlanInput, 'crew' | 'firm'>, work: Work): number =>
  crew.rates?.[work] ?? firm.workRates?.[work] ?? DAY.workRates[work] * (crew.rate_m2_s / DAY.workRates.fill);
