/** The phone's clock, in one place so that tests can hold it still. ms since 1970 */
export const now = (): number => Date.now();
