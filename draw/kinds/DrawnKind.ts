import type { SystemSection } from '@tufa/core/plan';
import type { Drawn, SectionView } from '../section/frame';
import type { Paint, Pattern } from '../scene';

/** How a thing lies on a plan: an area or a line, told apart without colour. */
export interface PlanStyle {
  readonly line: boolean;
  readonly pattern?: Pattern;
  readonly stroke: Paint;
  readonly width: number;
  readonly dash?: string;
}

/** How one kind of finding is drawn: on the plan, and as if cut through. Every kind is one such module. */
export interface DrawnKind<K extends SystemSection['kind']> {
  readonly plan: PlanStyle;
  section(section: Extract<SystemSection, { readonly kind: K }>, view: SectionView): Drawn;
}
