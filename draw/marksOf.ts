import { roomFor, type Label, type Paint, type Scene, type Shape } from './scene';

/** Turns a label's code and figures into words; passed in, so that this package knows no language. */
export type Speak = (label: Label) => string;

/** One SVG element: its tag, its attributes by their SVG names, its text. */
export interface Mark {
  readonly tag: 'path' | 'rect' | 'text';
  readonly attributes: Readonly<Record<string, string | number>>;
  readonly text?: string;
}

/** How a scene is dressed where it is shown: its words, its colours, the address of a pattern, the font of a size. */
export interface Dress {
  readonly speak: Speak;
  readonly colour: (paint: Exclude<Paint, 'none'>) => string;
  readonly pattern: (name: string, grain: number) => string;
  readonly font?: (size: number) => string;
}

/** The SVG elements of a scene in drawing order: the one translation that screen, file and a moving handle share. */
export function marksOf(scene: Scene, { speak, colour, pattern, font }: Dress): Mark[] {
  const paint = (name: Paint | undefined): string => (name === undefined || name === 'none' ? 'none' : colour(name));
  const marks = (shape: Shape): Mark[] => {
    if (shape.type === 'path') {
      const fill = shape.pattern ? `url(#${pattern(shape.pattern, shape.grain ?? 1)})` : paint(shape.fill);
      const attributes = { d: shape.d, fill, stroke: paint(shape.stroke), 'stroke-width': shape.width ?? 1 };
      return [{ tag: 'path', attributes: shape.dash ? { ...attributes, 'stroke-dasharray': shape.dash } : attributes }];
    }
    const anchor = shape.anchor ?? 'start';
    const { text, size } = fitted({ text: speak(shape.label), size: shape.size, room: roomOf(scene, shape.x, anchor) });
    const room = roomFor(text, size);
    const plateX = anchor === 'start' ? shape.x - 5 : anchor === 'end' ? shape.x - room + 5 : shape.x - room / 2;
    const plate: Mark = { tag: 'rect', attributes: { x: plateX, y: shape.y - size, width: room, height: size * 1.36, fill: colour('ground') } };
    const attributes: Record<string, string | number> = {
      x: shape.x,
      y: shape.y,
      'font-size': size,
      'font-weight': shape.weight ?? 400,
      'text-anchor': anchor,
      fill: paint(shape.paint ?? 'ink'),
      ...(font ? { 'font-family': font(size) } : {}),
    };
    return [...(shape.plate ? [plate] : []), { tag: 'text', attributes, text }];
  };
  return scene.shapes.flatMap(marks);
}

const roomOf = ({ width }: Scene, x: number, anchor: 'start' | 'middle' | 'end'): number =>
  anchor === 'start' ? width - x : anchor === 'end' ? x : 2 * Math.min(x, width - x);

/** A label that its drawing has no room for is set smaller, to 14 at the least, and then ends early. */
function fitted({ text, size, room }: { text: string; size: number; room: number }): { text: string; size: number } {
  const wanted = text.length * size * 0.5;
  if (wanted <= room) return { text, size };
  const smaller = Math.max(Math.min(14, size), Math.floor((size * room) / wanted));
  const most = Math.floor(room / (smaller * 0.5));
  return { text: text.length <= most ? text : `${text.slice(0, Math.max(1, most - 1)).trimEnd()}\u2026`, size: smaller };
}
