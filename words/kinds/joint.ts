import type { SaidKind } from './SaidKind';
import { slotLine } from './slot';

/** A joint by its width and depth. */
export const joint: SaidKind<'joint'> = { figure: ({ width }) => width, line: slotLine };
