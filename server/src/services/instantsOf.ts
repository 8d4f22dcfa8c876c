/** Instants of a row as it travels. */
const INSTANTS = ['takenAt', 'deviceAt', 'receivedAt', 'from', 'endedAt', 'at'] as const;

/** Wire fields as columns: instants become dates. Where `at` is a place it stays one. */
export function instantsOf<T extends object>(fields: T): T {
  const columns = { ...fields } as Record<string, unknown>;
  for (const name of INSTANTS) if (typeof columns[name] === 'string') columns[name] = new Date(columns[name]);
  return columns as T;
}
