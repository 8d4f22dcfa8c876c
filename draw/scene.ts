import type { Coded, PlainCode } from './LabelFigures';

/** Paints are names of tokens, so that one scene serves light, dark, sun, paper and file. */
export type Paint = 'ground' | 'sheet' | 'sunk' | 'ink' | 'faint' | 'line' | 'edge' | 'act' | 'onAct' | 'caution' | 'stop' | 'none';

/** One set of patterns for all drawings, readable without colour. */
export const PATTERNS = ['mortar', 'aggregate', 'resin', 'sand', 'wet', 'stiff', 'set', 'air', 'courses'] as const;
export type Pattern = (typeof PATTERNS)[number];

/** Words are codes with figures; whoever shows the scene makes the sentence. `text` is for bare digits. */
export type Label = Coded | { readonly code: PlainCode; readonly figures?: undefined } | { readonly text: string };

/** One thing that is drawn; sizes in px of the scene. */
export type Shape =
  | {
      readonly type: 'path';
      readonly d: string;
      readonly fill?: Paint;
      readonly pattern?: Pattern;
      readonly grain?: number;
      readonly stroke?: Paint;
      readonly width?: number;
      readonly dash?: string;
    }
  | {
      readonly type: 'label';
      readonly x: number;
      readonly y: number;
      readonly label: Label;
      readonly size: number;
      readonly weight?: number;
      readonly anchor?: 'start' | 'middle' | 'end';
      readonly paint?: Paint;
      /** a plate of the ground behind it, so that a pattern never runs through words */
      readonly plate?: boolean;
    };

/** A drawing: shapes in a box of `width` x `height` units, one unit a CSS pixel or a point. */
export interface Scene {
  readonly width: number;
  readonly height: number;
  /** what a screen reader says */
  readonly title: Label;
  readonly shapes: readonly Shape[];
}

/** "M x y L x y ..." of points, closed or not, to a hundredth of a unit. */
export function pathOf(points: readonly (readonly [number, number])[], closed = true): string {
  const text = points.map(([x, y], i) => `${i === 0 ? 'M' : 'L'}${round(x)} ${round(y)}`).join('');
  return closed ? `${text}Z` : text;
}

/** To a hundredth of a px, so that the same scene is the same text on every engine. */
export const round = (value: number): number => Math.round(value * 100) / 100;

/** A width that a label will not exceed, from its longest likely glyphs. */
export const roomFor = (text: string, size: number): number => Math.ceil(text.length * size * 0.52 + size * 0.6);

/** A zigzag across, where a scale is broken. */
export function brokenEdge({ from, to, y, tooth = 12 }: { from: number; to: number; y: number; tooth?: number }): string {
  const points: [number, number][] = [];
  const teeth = Math.max(2, Math.round((to - from) / tooth));
  for (let i = 0; i <= teeth; i += 1) points.push([from + ((to - from) * i) / teeth, y + (i % 2 === 0 ? 4 : -4)]);
  return pathOf(points, false);
}
