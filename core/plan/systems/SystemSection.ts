import type { Figures } from '../../quantity';
import type { Bond, Moisture } from '../../shelf';
import type { ElementInput } from '../../survey';
import type { CrackProfile, SpallShape } from '../../takeoff';
import type { CrackWay } from '../kinds/CrackWay';
import type { RiserFace } from '../steps/riserMethod';

/** What every section shows beside its own shape. */
interface SectionCommon {
  readonly name: string;
  /** what carries it */
  readonly on: ElementInput['kind'];
  /** of the element, m */
  readonly thickness_m: number;
  readonly base: 'concrete' | 'courses' | 'other';
  readonly fill: 'mortar' | 'resin';
  readonly grain_m: number;
  readonly bond: Bond;
  readonly moisture: Moisture;
  /** surface profile that it is laid on; null for a base that has none */
  readonly csp: number | null;
  readonly crown_m: number;
  readonly overlay: { readonly name: string; readonly thickness_m: number } | null;
  /** names of what cures and coats it */
  readonly over: readonly string[];
  readonly anchors: boolean;
}

/** A hole that is filled. */
interface Patch {
  readonly deepest_m: number;
  readonly shape: SpallShape;
  readonly edge: 'shoulder' | 'keyed' | 'feathered';
  readonly lifts: number;
}

/** What a kind's section is like beside what all show. */
export type SectionShape =
  | (Patch & { readonly kind: 'spall' })
  | (Patch & { readonly kind: 'void' })
  | { readonly kind: 'skim'; readonly layer_m: number; readonly texture_m: number }
  | { readonly kind: 'counter'; readonly layer_m: number; readonly drop_m: number; readonly across_m: number }
  | { readonly kind: 'wedge'; readonly run_m: number; readonly rise_m: number; readonly toe_m: number; readonly thin_m: number; readonly joint_m: number }
  | { readonly kind: 'edge'; readonly across_m: number; readonly down_m: number; readonly section: 'rectangle' | 'triangle'; readonly face: RiserFace }
  | { readonly kind: 'step'; readonly going_m: number; readonly rise_m: number; readonly face: RiserFace }
  | {
      readonly kind: 'crack';
      readonly width_m: number;
      readonly depth_m: number;
      readonly profile: CrackProfile;
      readonly cap_m: number;
      readonly method: CrackWay;
      /** of the joint it is cut to; null for what is only filled */
      readonly sealant_m: number | null;
      readonly rod_m: number | null;
    }
  | { readonly kind: 'groove'; readonly width_m: number; readonly depth_m: number; readonly sealant_m: number | null; readonly rod_m: number | null };

/** A repair as if cut through: its shape and its layers, m. */
export type SystemSection = SectionCommon & SectionShape;

/** One layer of a section from the top down, as a table shows it. */
export interface SectionLayer {
  /** of its words */
  readonly code: string;
  readonly figures: Figures;
  readonly thickness_m: number | null;
}

/** One layer of a kind's own body, its figures beside the sheet's name. */
export type BodyLayer = { readonly code: string; readonly thickness_m: number | null; readonly figures?: Figures };
