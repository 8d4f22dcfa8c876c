import type { Sheet } from '../Sheet';
import catalogueJson from './catalogue.json';

/** The shelf that ships with Tufa: generic and invented, to be replaced by the data sheet of the bag in hand. */
export const catalogue = catalogueJson as unknown as readonly Sheet[];
