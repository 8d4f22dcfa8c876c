import type { Scene, Shape } from './scene';

/** One spoon's place, px. */
const PITCH = 76;
const BOWL = { x: 22, y: 26, rx: 20, ry: 15 } as const;
/** More spoons than this are a number, not a picture. */
const MOST = 12;

/** An ellipse's arc through a bowl: the part of it left of x. */
const bowl = (at: number): string =>
  `M${at + BOWL.x - BOWL.rx} ${BOWL.y}a${BOWL.rx} ${BOWL.ry} 0 1 0 ${2 * BOWL.rx} 0a${BOWL.rx} ${BOWL.ry} 0 1 0 ${-2 * BOWL.rx} 0Z`;

/** How much of a spoon is full, seen from above: a quarter, a half, three quarters or all of its bowl's length. */
function filled(at: number, quarters: number): string {
  if (quarters >= 4) return bowl(at);
  const share = quarters / 4;
  const x = BOWL.rx * (2 * share - 1);
  const y = BOWL.ry * Math.sqrt(1 - (x / BOWL.rx) ** 2);
  const middle = at + BOWL.x;
  return `M${middle + x} ${BOWL.y - y}A${BOWL.rx} ${BOWL.ry} 0 ${share > 0.5 ? 1 : 0} 0 ${middle + x} ${BOWL.y + y}Z`;
}

/**
 * Level teaspoons as they are struck off, the last one to a quarter.
 *
 * @param quarters quarters of a teaspoon, 1 or more; of more than a dozen spoons the first dozen is drawn
 */
export function spoonsScene({ quarters }: { readonly quarters: number }): Scene {
  const count = Math.min(MOST, Math.ceil(quarters / 4));
  const shapes: Shape[] = [];
  for (let i = 0; i < count; i += 1) {
    const at = i * PITCH;
    shapes.push({ type: 'path', d: filled(at, quarters - 4 * i), pattern: 'sand' });
    shapes.push({ type: 'path', d: bowl(at), stroke: 'ink', width: 2 });
    shapes.push({ type: 'path', d: `M${at + BOWL.x + BOWL.rx} ${BOWL.y}h24`, stroke: 'ink', width: 4 });
  }
  return { width: Math.max(1, count) * PITCH, height: 52, title: { code: 'draw.spoons', figures: { spoons: String(quarters / 4) } }, shapes };
}
