import { commandSchema } from '@tufa/contract/commands';
import { planInput, sheet } from '@tufa/contract/schemas';
import { surveyFile } from '@tufa/contract/surveyFile';
import parseJoi from 'joi-to-json';

/** The files that leave Tufa as JSON Schema, made from the same Joi schemas that guard them. */
export const schemas = (): Record<string, object> => ({
  job: parseJoi(planInput) as object,
  sheet: parseJoi(sheet) as object,
  survey: parseJoi(surveyFile) as object,
  command: parseJoi(commandSchema) as object,
});

export { constantsPage } from './constantsPage';
