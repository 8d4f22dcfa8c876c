export type { WindowQuestion } from './WindowQuestion';
export { type Implied, impliedOf } from './impliedOf';
export { questionFor } from './questionFor';
export { shotsFor } from './shotsFor';
export { columnOf, STRATA_QUANTITIES, type StrataDomain, strataDomain, strataOf, type StrataQuantity } from './strata';
export { type TicketLine, ticketOf } from './ticket';
export { type WindowAnswer, windowFor } from './windowFor';
