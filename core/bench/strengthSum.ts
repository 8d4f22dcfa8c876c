import { rate } from '../setting';
import { activationOf, MILESTONES, type Sheet } from '../shelf';
import { sumLine, type Worked } from './SumLine';

/** When a sheet's milestones come at one temperature all through: strip, foot, vehicles. A hand test decides. @throws Problem `outOfRange` */
export function strengthSum({ sheet, slab_C }: { sheet: Sheet; slab_C: number }): Worked {
  const k = rate({ temperature_C: slab_C, Ea_J_mol: activationOf(sheet), reference_C: sheet.reference_C });
  const lines = MILESTONES.flatMap((name) => {
    const stated_s = sheet.milestones[name];
    return stated_s === undefined ? [] : [sumLine(`strength.${name}`, { after_s: stated_s / k, stated_s, reference_C: sheet.reference_C })];
  });
  const first = lines.find(({ code }) => code === 'strength.foot') ?? lines.at(-1);
  return { answer: first ?? sumLine('strength.silent'), lines };
}
