import type { SystemSection } from '@tufa/core/plan';
import type { Scene } from '../scene';
import { edgeSection, stepSection, wedgeSection } from './edgeSection';
import { framed, type Drawn, type SectionView } from './frame';
import { counterSection, skimSection } from './layerSection';
import { patchSection } from './patchSection';
import { crackSection, grooveSection } from './slotSection';

function drawnOf(section: SystemSection, view: SectionView): Drawn {
  switch (section.kind) {
    case 'spall':
    case 'void':
      return patchSection(section, view);
    case 'skim':
      return skimSection(section, view);
    case 'counter':
      return counterSection(section, view);
    case 'wedge':
      return wedgeSection(section, view);
    case 'edge':
      return edgeSection(section, view);
    case 'step':
      return stepSection(section, view);
    case 'crack':
      return crackSection(section, view);
    case 'groove':
      return grooveSection(section, view);
  }
}

/**
 * A repair as if cut through, layers to scale with the ruled edge beside; the slab below is broken off visibly where it
 * would not fit.
 */
export function sectionScene(section: SystemSection, view: SectionView): Scene {
  const title = { code: `draw.sectionOf.${section.kind}`, figures: { name: section.name, thickness_m: section.thickness_m } };
  return framed({ view, section, drawn: drawnOf(section, view), title });
}
