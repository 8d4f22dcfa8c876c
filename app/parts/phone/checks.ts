/** The schemas of everything that is sent or read from a file, one part fetched when a form opens: no screen needs it to be shown. */
export const loadChecks = (): Promise<typeof import('@tufa/contract/checks')> => import('@tufa/contract/checks');
