import type { SaidKind } from './SaidKind';
import { slotLine } from './slot';

/** A crack by its width and depth. */
export const crack: SaidKind<'crack'> = { figure: ({ width }) => width, line: slotLine };
