import type { Asks, HouseMethod, Reason } from '../../choose';
import type { Work } from '../../day';
import type { Sheet, Task, Use } from '../../shelf';
import type { ElementInput, FindingInput } from '../../survey';
import type { Point } from '../../takeoff';
import type { Context } from '../input/Context';
import type { TakeOff } from '../survey/TakeOff';
import type { RepairStep } from '../steps/RepairStep';
import type { Stepped } from '../steps/Stepped';
import type { BodyLayer, SectionShape } from '../systems/SystemSection';
import type { Taken } from './Taken';

/** Where it was found, and with what else. */
export interface FoundAt {
  readonly element: ElementInput;
  readonly findings: readonly FindingInput[];
}

/** What decides how stiff a mix is. */
export interface TaskAsked extends Pick<Context, 'element' | 'sheet' | 'takeOff'> {
  readonly house: HouseMethod;
}

/** What the crew has learned of it. */
export interface Learned {
  readonly soakDepth_m?: number;
}

/** A context whose finding is known by its kind. */
export type Of<F extends FindingInput, C extends { readonly finding: FindingInput }> = Omit<C, 'finding'> & { readonly finding: F };

/** What a section is drawn from. */
export type Cut<F extends FindingInput> = Of<F, Context> & { readonly house: HouseMethod };

/** What a kind asks beside its use. */
export type AsksOfKind = Omit<Asks, 'kind' | 'use' | 'onBase' | 'head_m'>;

/**
 * What the computation knows of one kind of damage: what it asks of a sheet, how it is measured, what is done about it
 * and how that looks cut through. Every kind is one such module, and `kindOf` holds all of them.
 */
export interface Damage<F extends FindingInput> {
  /** what a sheet must be made for to answer it */
  readonly use: Use;
  /** its batches must run together wet; a line, an edge, a step or a void is filled portion by portion */
  readonly wetEdge: boolean;
  /** its mix covers all that is seen: what cures and coats lies on the mix, whatever is under it */
  readonly covers: boolean;
  /** it has a body on a base that can be drilled */
  readonly reinforceable: boolean;
  /** it carries load: how it is anchored is for a licensed person to say */
  readonly carries: boolean;
  /** it stands a little high and is ground flush */
  readonly groundFlush: boolean;
  /** a line that water and dirt go into, beside what is broken out */
  readonly open: boolean;

  asks(finding: F, site?: FoundAt): AsksOfKind;
  takeOff(finding: F, learned: Learned): Taken;
  /** the same finding with its corners elsewhere; readings that are then outside do not count */
  movedTo(finding: F, points: readonly Point[]): F;
  /** the kind of work that fills it */
  work(finding: F, element: ElementInput): Work;
  /** its sand lies in it as a bed under a cap, rather than in the resin */
  bedded(context: Of<F, Pick<Context, 'input' | 'finding' | 'sheet'>>): boolean;
  /** it lies on a base that is prepared and bonded to; what is cast in a mould does not */
  onBase(finding: F): boolean;
  /** what the material must do to fill it, the best first */
  tasks(finding: F, asked: TaskAsked): readonly Task[];
  /** what it says to whether its element may be repaired */
  verdict(finding: F, site: FoundAt): readonly Reason[];
  /** what it takes of one sheet, by the way it is filled with it */
  filled(context: Of<F, Pick<Context, 'input' | 'finding' | 'takeOff' | 'sheet'>>): TakeOff;
  /** how far it stands out when filled, beside what is ground flush again, m */
  crown(sheet: Sheet): number;

  /** the face that an overlay may cover; null where none goes over it */
  overlaid(finding: F): readonly Point[] | null;
  /** how much of its run is thinner than the sheet allows, m; null where it runs out to nothing nowhere */
  thinRun(finding: F, sheet: Sheet): number | null;
  /** what may hurt whoever works at it, beside what its sheet brings */
  cautions(finding: F): readonly ('vibrationNoise' | 'extraWeight')[];

  removing(context: Of<F, Stepped>): readonly RepairStep[];
  edging(context: Of<F, Stepped>): readonly RepairStep[];
  filling(context: Of<F, Stepped>): readonly RepairStep[];
  finishing(context: Of<F, Stepped>): readonly RepairStep[];

  section(cut: Cut<F>): Extract<SectionShape, { readonly kind: F['kind'] }>;
  /** layers of its own body from the top down */
  body(section: Extract<SectionShape, { readonly kind: F['kind'] }>): readonly BodyLayer[];
}
