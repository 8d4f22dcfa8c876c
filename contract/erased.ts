/** What stands where a name or somebody's words were erased. */
export const ERASED = '—';
