import { coded } from '../LabelFigures';
import type { SystemSection } from '@tufa/core/plan';
import { drawnSection } from '../kinds';
import type { Scene } from '../scene';
import { drawingView, framed, type SectionView } from './frame';

/**
 * A repair as if cut through, layers to scale with the ruled edge beside; the slab below is broken off visibly where it
 * would not fit.
 */
export function sectionScene(section: SystemSection, view: SectionView): Scene {
  const title = coded(`draw.sectionOf.${section.kind}`, { name: section.name, thickness_m: section.thickness_m });
  return framed({ view, section, drawn: drawnSection(section, drawingView(view)), title });
}
