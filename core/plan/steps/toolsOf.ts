import type { RepairStep } from './RepairStep';
import { stepRow, type StepCode, type Tool } from './STEPS';

/** What runs on the mains. */
export const POWERED: ReadonlySet<Tool> = new Set(['sander', 'breaker', 'grinder', 'saw', 'drill', 'vacuum', 'blaster', 'washer']);

/** The tools that steps want, each once, in the order of the work. */
export const toolsOf = (steps: readonly Pick<RepairStep, 'code'>[]): Tool[] => [...new Set(steps.flatMap(({ code }) => stepRow(code).tools))];

/** Which of them a step wants, a bit each, for each code once: a ranking asks ten thousand times. */
const powered = new Map<StepCode, number>();
const MAINS = [...POWERED];

function poweredOf(code: StepCode): number {
  const bits = powered.get(code) ?? stepRow(code).tools.reduce((wanted, tool) => (POWERED.has(tool) ? wanted | (1 << MAINS.indexOf(tool)) : wanted), 0);
  powered.set(code, bits);
  return bits;
}

/** How many tools that run on the mains the steps want, each counted once. */
export function poweredTools(steps: readonly Pick<RepairStep, 'code'>[]): number {
  let wanted = 0;
  for (const { code } of steps) wanted |= poweredOf(code);
  return MAINS.filter((_, i) => wanted & (1 << i)).length;
}
