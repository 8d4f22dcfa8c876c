import type { StockLot } from '../mix';
import type { Sheet } from '../shelf';
import type { ElementInput } from '../survey';
import type { Asks } from './Asks';
import type { HouseMethod } from './houseMethod';
import type { Reason, ReasonOf, ReasonVerdict } from './Reason';
import type { ReasonCode, ReasonFigures } from './ReasonFigures';

/** What a rule may look at. */
export interface RuleContext {
  readonly sheet: Sheet;
  readonly element: ElementInput;
  readonly asks: Asks;
  readonly air_C: number;
  readonly slab_C: number;
  /** how long after first water it carries what is asked; null where the sheet has no such milestone */
  readonly opensAfter: () => number | null;
  /** 0 to 1 */
  readonly humidity: number;
  /** what the bags have lain at */
  readonly powder_C: number;
  readonly house: HouseMethod;
  /** what the crew's smallest batch spends of the two lives; null where shots are cut to the life instead */
  readonly life: () => LifeSpent | null;
  /** what of it lies at the yard */
  readonly stock?: readonly StockLot[];
  /** the day of the work, an ISO day; absent where none is planned */
  readonly on?: string;
}

/** Shares of a batch's lives that the crew uses up, here and now. */
export interface LifeSpent {
  /** of the life that flows, by the time it is placed */
  readonly placed: number;
  readonly placed_s: number;
  /** of the life that finishes, by the tool's last pass */
  readonly finished: number;
  readonly finished_s: number;
  /** how much may be spent at the firm's accepted chance */
  readonly safe: number;
  /** how much longer the sheet's most retarder would make both; 1 where it takes none or has all of it */
  readonly retarder: number;
}

/** What a rule that looks at no finding may see: asked once for every sheet and element, however many findings it has. */
export type ElementContext = Omit<RuleContext, 'asks' | 'opensAfter' | 'life' | 'stock' | 'on'>;

/** A rule of choice: the reasons it finds, none where it has nothing to say. */
export type Rule = (context: RuleContext) => readonly Reason[];

/** A rule that looks at no finding. */
export type ElementRule = (context: ElementContext) => readonly Reason[];

/** A reason on its own, as rules give them. */
export const reason = <C extends ReasonCode>(code: C, verdict: ReasonVerdict, ...[figures]: FiguresOf<C>): readonly ReasonOf<C>[] => [
  { code, verdict, figures: figures ?? ({} as ReasonFigures[C]) },
];

/** Nothing to hand over where the sentence names no figure. */
type FiguresOf<C extends ReasonCode> = Readonly<Record<never, never>> extends ReasonFigures[C] ? [figures?: ReasonFigures[C]] : [figures: ReasonFigures[C]];
