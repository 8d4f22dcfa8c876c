/** The kept library for tables as text, fetched when a file goes out or comes in. */
export const loadCsv = (): Promise<typeof import('papaparse')> => import('papaparse').then(({ default: library }) => library);
