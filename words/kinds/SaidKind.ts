import type { PropertiesOf, RepairedKind } from '@tufa/contract/kinds/index';
import type { Measured } from '@tufa/core/quantity';
import type { Speaker } from '../speak';

/** What one kind of finding says of itself. Every kind is one such module. */
export interface SaidKind<K extends RepairedKind> {
  /** the figure that stands beside its letter on a plan */
  figure(properties: PropertiesOf[K]): Measured;
  /** itself in a line */
  line(speaker: Speaker, properties: PropertiesOf[K]): string;
}
