import parseJoi from 'joi-to-json';
import { ARCHIVED, archivedRow, manifestSchema } from './archive';

/** What lies in an archive as JSON Schema: its manifest, and a row of each entity. */
export const archiveSchemas = (): Record<string, object> => ({
  manifest: parseJoi(manifestSchema) as object,
  ...Object.fromEntries(ARCHIVED.map((name) => [name, parseJoi(archivedRow(name)) as object])),
});
