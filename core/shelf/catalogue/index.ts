import type { Aid } from '../Aid';
import type { Sheet } from '../Sheet';
import aidsJson from './aids.json';
import catalogueJson from './catalogue.json';

/** The repair materials that ship with Tufa: generic and invented, to be replaced by the data sheet of the bag in hand. */
export const catalogue = catalogueJson as unknown as readonly Sheet[];

/** What goes with them, as invented. */
export const aids = aidsJson as unknown as readonly Aid[];
