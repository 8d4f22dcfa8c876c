/** The sum of one figure of each. */
export const sumOf = <T>(all: readonly T[], of: (item: T) => number): number => all.reduce((total, item) => total + of(item), 0);
