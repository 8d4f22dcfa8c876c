/** The sum of one figure of each. */
export const sumOf = <T>(all: readonly T[], of: (one: T) => number): number => all.reduce((total, one) => total + of(one), 0);
