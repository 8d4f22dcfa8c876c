import type { FirmData } from '@tufa/contract/entities';
import { jobFile } from '../parts/job/jobFile';
import { jobView, type JobView } from '../parts/job/useJob';

/** A job as the rehearsal's rows have it. */
export const practiceView = (data: FirmData, jobId: string): JobView | null => jobView({ data, clockOffset: 0 }, jobId, jobFile(data, jobId));
