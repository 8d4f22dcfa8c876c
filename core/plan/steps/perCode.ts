/** Whether a step's code is a start or goes on from it: `step.bond.scrub` starts with `step.bond`. */
export const startsWith = (code: string, start: string): boolean => code === start || code.startsWith(`${start}.`);

/** A function of a step's code, worked out once for each of the few codes there are. */
export function perCode<T>(of: (code: string) => T): (code: string) => T {
  const held = new Map<string, T>();
  return (code) => {
    if (!held.has(code)) held.set(code, of(code));
    return held.get(code) as T;
  };
}
