import { addWords } from '../speak';
import { first } from './first';
import { work } from './work';

/** Spanish is said from now on, the first screens' words and everything else's. */
export function bringSpanish(): void {
  addWords('es', first);
  addWords('es', work);
}
