import classesJson from './catalogue/classes.json';
import { timeOf } from './reading';
import type { Sheet, SheetClass, Task } from './Sheet';

/** Everything of a sheet that a class has figures for. */
export type ClassFigures = Omit<Sheet, 'id' | 'productId' | 'revision' | 'name' | 'packs' | 'assumed'>;

const CLASSES = classesJson as unknown as Readonly<Record<SheetClass, ClassFigures>>;

/** What a class's products are like, where the bag says nothing: generic figures, at 21 degC. */
export const classFigures = (name: SheetClass): ClassFigures => CLASSES[name];

/** What was read from a bag: its name, its class, its packs, and whatever else is printed on it. */
export type LabelFigures = Pick<Sheet, 'name' | 'class' | 'packs'> & Partial<Omit<ClassFigures, 'class'>>;

/** Figures that only make sense together with others of the bag stretch with them: a bag twice as slow sets twice as late. */
function stretched(figures: ClassFigures, label: LabelFigures): Partial<ClassFigures> {
  const slower = label.flow ? timeOf(label.flow) / timeOf(figures.flow) : 1;
  const times = <T extends Readonly<Partial<Record<string, number>>>>(all: T): T =>
    Object.fromEntries(Object.entries(all).map(([name, value]) => [name, Math.round(value! * slower)])) as unknown as T;
  const { water } = figures;
  const band = label.water;
  const byTask = (task: Task, value: number): number =>
    band && water ? Number((band.least + ((value - water.least) / (water.most - water.least)) * (band.most - band.least)).toFixed(4)) : value;
  return {
    finish: { least_s: Math.round(figures.finish.least_s * slower), most_s: Math.round(figures.finish.most_s * slower) },
    milestones: times(figures.milestones),
    strengths: figures.strengths.map(([at_s, MPa]) => [Math.round(at_s * slower), MPa] as const),
    ...(band && water
      ? { water: { ...band, byTask: Object.fromEntries(Object.entries(water.byTask).map(([task, value]) => [task, byTask(task as Task, value)])) } }
      : {}),
    ...(label.thickness ? { thickness: { ...label.thickness, liftMost_m: Math.min(label.thickness.liftMost_m, label.thickness.most_m) } } : {}),
  };
}

type Named = Pick<Sheet, 'id' | 'productId' | 'revision'>;

/** What the bag says laid over what stands in for the rest; every name that stands in is listed as assumed. */
function over(base: ClassFigures, label: LabelFigures, named: Named, standsIn: readonly string[]): Sheet {
  const given = Object.fromEntries(Object.entries(label).filter(([, value]) => value !== undefined)) as unknown as LabelFigures;
  const { water, thickness, ...others } = stretched(base, label);
  // What is stretched stands in for the base; of the label only its water and its thickness are brought into line.
  return {
    ...base,
    ...others,
    ...given,
    ...(water ? { water } : {}),
    ...(thickness ? { thickness } : {}),
    ...named,
    assumed: standsIn.filter((name) => !(name in given)),
  };
}

/**
 * A whole sheet from what a bag says: the class stands in for the rest, and every name it stands in for is listed as
 * assumed. A working time of the bag's own stretches the class's later times with it, and a band of water its tasks.
 *
 * @example fromClass({ id, productId, revision: 1, label: { name: 'Bag in hand', class: 'fineRapid', packs, flow: { least_s: 600, most_s: 600 } } })
 */
export const fromClass = ({ label, ...named }: Named & { label: LabelFigures }): Sheet =>
  over(CLASSES[label.class], label, named, Object.keys(CLASSES[label.class]));

/**
 * The next revision of a sheet, or a copy of it for the bag in hand: what the label says replaces the sheet's figures,
 * and what is replaced is assumed no longer. `copied` marks everything the bag does not say as assumed.
 */
export function fromSheet({ base, label, copied, ...named }: Named & { base: Sheet; label: LabelFigures; copied: boolean }): Sheet {
  const { id: _id, productId: _product, revision: _revision, name: _name, packs: _packs, assumed = [], ...figures } = base;
  return over(figures, label, named, copied ? Object.keys(figures) : assumed);
}
