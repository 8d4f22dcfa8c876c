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
  /** how long after first water it carries what is asked, and whether only its class says so; null where the sheet has no such milestone */
  readonly opensAfter: () => { readonly after_s: number; readonly extrapolated?: true } | null;
  /** 0 to 1 */
  readonly humidity: number;
  /** what the bags have lain at */
  readonly powder_C: number;
  readonly house: HouseMethod;
  /** what a batch of this crew spends of its lives; null where shots are cut to the life instead */
  readonly life: () => LifeSpent | null;
  /** what of it lies at the yard */
  readonly stock?: readonly StockLot[];
  /** the day of the work, an ISO day; absent where none is planned */
  readonly on?: string | undefined;
}

/** What the crew uses up of a batch, here and now. */
export interface LifeSpent {
  /** shares of its lives: of the flow when it is placed and when the next batch touches it, of the finish at the tool's last pass */
  readonly spent: { readonly flow: number; readonly finish: number; readonly wetEdge: number };
  readonly needs_s: { readonly flow: number; readonly finish: number; readonly wetEdge: number };
  /** chance that a skin is there first */
  readonly skin: number;
  /** sd of ln life, what is not known of the temperatures included */
  readonly sdLn: number;
  /** accepted chance of losing a batch, and how much of a life may be spent at it where no skin threatens */
  readonly accepted: number;
  readonly safe: number;
  /** how much longer the sheet's most retarder would make its lives; 1 where it takes none or has all of it */
  readonly retarder: number;
  /** the same in shade at an early hour: slab, pail and water no warmer than the air; asked only where it decides */
  readonly shaded: () => LifeSpent;
}

/** What a rule that looks at no finding may see: asked once for every sheet and element, however many findings it has. */
export type ElementContext = Omit<RuleContext, 'asks' | 'opensAfter' | 'life' | 'stock' | 'on'>;

/** What a rule may see before the clock of the repair is worked out. */
export type FirstContext = Omit<RuleContext, 'opensAfter' | 'life'>;

/** A rule that needs no clock. */
export type FirstRule = (context: FirstContext) => readonly Reason[];

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
