import type { RepairStep } from './RepairStep';
import { stepRow, type StepCode, type Tool } from './STEPS';

/** What runs on the mains. */
export const POWERED: ReadonlySet<Tool> = new Set(['sander', 'breaker', 'grinder', 'saw', 'drill', 'vacuum', 'blaster', 'washer']);

/** The tools that steps want, each once, in the order of the work. */
export const toolsOf = (steps: readonly Pick<RepairStep, 'code'>[]): Tool[] => [...new Set(steps.flatMap(({ code }) => stepRow(code).tools))];

/** Those of a step that run on the mains, for each code once: a ranking asks for them ten thousand times. */
const powered = new Map<StepCode, readonly Tool[]>();

function poweredOf(code: StepCode): readonly Tool[] {
  const tools = powered.get(code) ?? stepRow(code).tools.filter((tool) => POWERED.has(tool));
  powered.set(code, tools);
  return tools;
}

/** How many tools that run on the mains the steps want, each counted once. */
export function poweredTools(steps: readonly Pick<RepairStep, 'code'>[]): number {
  const wanted = new Set<Tool>();
  for (const { code } of steps) for (const tool of poweredOf(code)) wanted.add(tool);
  return wanted.size;
}
