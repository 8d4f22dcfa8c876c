/** Where a yes or no flips between two values, to a millionth. */
export function flipsAt(low: number, high: number, holds: (x: number) => boolean): number {
  const first = holds(low);
  let [a, b] = [low, high];
  for (let i = 0; i < 26; i += 1) {
    const middle = (a + b) / 2;
    if (holds(middle) === first) a = middle;
    else b = middle;
  }
  return (a + b) / 2;
}
