import { commandSchema } from '@tufa/contract/commands';
import { anySheet, planInput } from '@tufa/contract/schemas';
import { shelfFile } from '@tufa/contract/shelfFile';
import { forecastFile } from '@tufa/contract/forecastFile';
import { instrumentsFile, readingFile } from '@tufa/contract/instruments';
import { instanceSchema } from '@tufa/contract/instanceSchema';
import { surveyFile } from '@tufa/contract/surveyFile';
import parseJoi from 'joi-to-json';

/** The files that leave Tufa as JSON Schema, made from the same Joi schemas that guard them. */
export const schemas = (): Record<string, object> => ({
  job: parseJoi(planInput) as object,
  sheet: parseJoi(anySheet) as object,
  shelf: parseJoi(shelfFile) as object,
  survey: parseJoi(surveyFile) as object,
  forecast: parseJoi(forecastFile) as object,
  instruments: parseJoi(instrumentsFile) as object,
  'instrument-reading': parseJoi(readingFile) as object,
  day: parseJoi(instanceSchema) as object,
  command: parseJoi(commandSchema) as object,
});

export { constantsPage } from './constantsPage';
