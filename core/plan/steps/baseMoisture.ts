import { isSoaked } from '../../choose';
import { isResin, type Aid, type Moisture } from '../../shelf';
import { aidClasses } from '../orders/aidClasses';
import type { Context } from '../input/Context';
import { aidOf } from '../input/sheetOf';

/** The agent that was chosen to bond it, where its sheet or the school asks for one. */
function bondAgentOf(context: Pick<Context, 'input' | 'sheet' | 'treatment'>): Aid | undefined {
  const { input, treatment } = context;
  const aid = aidOf(input, treatment?.aids?.bond);
  return aid && aidClasses(context, 'bond').includes(aid.class) ? aid : undefined;
}

/** What the base must be when it is covered: as what touches it wants it, the bonding agent before the mix; never soaked where it does not drink. */
export function baseMoisture(context: Pick<Context, 'input' | 'element' | 'sheet' | 'treatment'>): Moisture {
  const { element, sheet } = context;
  if (isResin(sheet) || sheet.moisture === 'dry') return 'dry';
  const wants = bondAgentOf(context)?.moisture ?? sheet.moisture;
  return wants === 'damp' && !isSoaked(element) ? 'dry' : wants;
}
