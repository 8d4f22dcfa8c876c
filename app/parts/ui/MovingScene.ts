import { marksOf, type Mark, type Scene } from '@tufa/draw';
import { speak } from './dress';
import type { Speaker } from '@tufa/words/speak';

/**
 * A scene that follows a finger, painted on a canvas: elements in the page would be styled and laid out anew at every
 * move, which a modest phone has no time for. Words for screen readers stand on the control around it.
 */
export class MovingScene {
  private readonly context: CanvasRenderingContext2D;
  private readonly colours = new Map<string, string>();
  /** a finger comes back to the same values: their words are made once for each look */
  private marks = new WeakMap<Scene, readonly Mark[]>();

  constructor(private readonly canvas: HTMLCanvasElement) {
    this.context = canvas.getContext('2d') as CanvasRenderingContext2D;
  }

  /** Fits the canvas to its scene's size and the present look; asked for when either may have changed, not at a move. */
  fit({ width, height }: { width: number; height: number }): void {
    const { canvas, context, colours } = this;
    const dots = window.devicePixelRatio || 1;
    canvas.width = Math.round(width * dots);
    canvas.height = Math.round(height * dots);
    context.scale(dots, dots);
    colours.clear();
    this.marks = new WeakMap();
  }

  show(speaker: Speaker, scene: Scene): void {
    const { context } = this;
    context.clearRect(0, 0, scene.width, scene.height);
    const marks =
      this.marks.get(scene) ?? marksOf(scene, { speak: (label) => speak(speaker, label), colour: (paint) => this.colour(paint), pattern: (name) => name });
    this.marks.set(scene, marks);
    for (const { tag, attributes, text } of marks) {
      const of = (name: string): number => Number(attributes[name]);
      const [fill, stroke] = [String(attributes['fill']), String(attributes['stroke'] ?? 'none')];
      context.fillStyle = fill;
      if (tag === 'rect') context.fillRect(of('x'), of('y'), of('width'), of('height'));
      else if (tag === 'text') {
        const size = of('font-size');
        context.font = `${attributes['font-weight']} ${size}px ${size >= 20 ? 'Bricolage' : 'Atkinson'}`;
        context.textAlign = ({ start: 'left', middle: 'center', end: 'right' } as const)[attributes['text-anchor'] as 'start' | 'middle' | 'end'];
        context.fillText(text ?? '', of('x'), of('y'));
      } else {
        const path = new Path2D(String(attributes['d']));
        if (fill !== 'none') context.fill(path);
        if (stroke === 'none') continue;
        context.strokeStyle = stroke;
        context.lineWidth = of('stroke-width');
        context.setLineDash(attributes['stroke-dasharray'] ? String(attributes['stroke-dasharray']).split(' ').map(Number) : []);
        context.stroke(path);
      }
    }
  }

  private colour(paint: string): string {
    let colour = this.colours.get(paint);
    if (colour === undefined) {
      colour = getComputedStyle(this.canvas)
        .getPropertyValue(`--${paint === 'onAct' ? 'on-act' : paint}`)
        .trim();
      this.colours.set(paint, colour);
    }
    return colour;
  }
}
