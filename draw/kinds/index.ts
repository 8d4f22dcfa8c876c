import type { MarkKind } from '@tufa/core/survey';
import type { SystemSection } from '@tufa/core/plan';
import type { Drawn, SectionView } from '../section/frame';
import { counter } from './counter';
import { crack } from './crack';
import type { DrawnKind, PlanStyle } from './DrawnKind';
import { edge } from './edge';
import { joint } from './joint';
import { skim } from './skim';
import { spall } from './spall';
import { step } from './step';
import { voidUnderWater } from './void';
import { wedge } from './wedge';

/** Every kind by the name of its section: a new kind is one module here, and the type names what is missing. */
const KINDS: { readonly [K in SystemSection['kind']]: DrawnKind<K> } = {
  spall,
  crack,
  groove: joint,
  edge,
  skim,
  wedge,
  step,
  counter,
  void: voidUnderWater,
};

/** What lies on a plan, a finding or a mark, in the order in which they are drawn: what is marked lies on top. */
export const PLAN_KINDS = ['spall', 'crack', 'joint', 'edge', 'skim', 'wedge', 'step', 'counter', 'void', 'hollow', 'wet', 'rust', 'obstacle', 'fall'] as const;
export type PlanKind = (typeof PLAN_KINDS)[number];

type Found = Exclude<PlanKind, MarkKind>;

/** What is seen beside damage. */
const MARKED: { readonly [K in Exclude<PlanKind, Found>]: PlanStyle } = {
  // Blank, so that the spall inside it is seen.
  hollow: { line: false, stroke: 'ink', width: 2, dash: '3 4' },
  wet: { line: false, pattern: 'wet', stroke: 'ink', width: 2, dash: '8 5' },
  rust: { line: false, pattern: 'resin', stroke: 'stop', width: 3 },
  obstacle: { line: false, pattern: 'set', stroke: 'ink', width: 2 },
  fall: { line: true, stroke: 'ink', width: 2.5 },
};

const { groove, ...same } = KINDS;
const FOUND: { readonly [K in Found]: { readonly plan: PlanStyle } } = { ...same, joint: groove };

/** How a kind of thing on a plan is drawn. */
export const planStyle = (kind: PlanKind): PlanStyle => (kind in MARKED ? MARKED[kind as MarkKind] : FOUND[kind as Found].plan);

/** Kinds that are a line and not an area. */
export const isLine = (kind: PlanKind): boolean => planStyle(kind).line;

/** A repair as if cut through, by its kind. */
export const drawnSection = <S extends SystemSection>(section: S, view: SectionView): Drawn =>
  (KINDS[section.kind] as unknown as { section(section: S, view: SectionView): Drawn }).section(section, view);
