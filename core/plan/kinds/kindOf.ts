import type { Asks, Reason } from '../../choose';
import { elementVerdict, placeOf, standingOn, waterReasons, type FindingInput, type FindingKind, type Verdict, type VerdictInput } from '../../survey';
import type { BodyLayer, SystemSection } from '../systems/SystemSection';
import { counter } from './counter';
import { crack } from './crack';
import type { Damage, FoundAt } from './Damage';
import { edge } from './edge';
import { groove } from './groove';
import { skim } from './skim';
import { spall } from './spall';
import { step } from './step';
import { voidUnderWater } from './void';
import { wedge } from './wedge';

/** Every kind of finding by its name: a new kind is one module here, and the type names what is missing. */
const KINDS: { readonly [K in FindingKind]: Damage<Extract<FindingInput, { readonly kind: K }>> } = {
  spall,
  crack,
  groove,
  edge,
  step,
  skim,
  wedge,
  counter,
  void: voidUnderWater,
};

/** The module of a finding's kind. */
export const kindOf = <F extends FindingInput>({ kind }: F): Damage<F> => KINDS[kind] as unknown as Damage<F>;

/** What a finding asks of what fills it, where it was found. */
export const asksOf = (finding: FindingInput, site?: FoundAt): Asks => ({
  kind: finding.kind,
  use: kindOf(finding).use,
  onBase: kindOf(finding).onBase(finding),
  head_m: (site && standingOn(site.element, placeOf(finding))?.head_m) ?? null,
  ...kindOf(finding).asks(finding, site),
});

/** The deepest or thickest place that a filling must reach, m. */
export const deepestOf = (finding: FindingInput): number => kindOf(finding).asks(finding).deepest_m;

/** Layers of a section's body from the top down. */
export const bodyOf = (section: SystemSection): readonly BodyLayer[] =>
  (KINDS[section.kind] as { body(section: SystemSection): readonly BodyLayer[] }).body(section);

/** Whether an element may be repaired without asking anybody: by what it is, and by what each of its findings says. */
export function verdictOf({ element, findings, hollow }: Omit<VerdictInput, 'found'> & { readonly findings: readonly FindingInput[] }): Verdict {
  const found = findings.flatMap((finding): readonly Reason[] => kindOf(finding).verdict(finding, { element, findings }));
  return elementVerdict({ element, found: [...found, ...waterReasons(element, findings)], ...(hollow === undefined ? {} : { hollow }) });
}
