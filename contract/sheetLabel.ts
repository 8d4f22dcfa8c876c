import { parse, printIn, Problem, significant, type Figures, type Kind, type UnitSystem } from '@tufa/core/quantity';
import {
  classFigures,
  resinOf,
  SHEET_CLASSES,
  timeOf,
  type ClassFigures,
  type LabelFigures,
  type MilestoneName,
  type Sheet,
  type SheetClass,
  type SheetTime,
} from '@tufa/core/shelf';

/** What can be read from a bag, each as it is written there. */
export const LABEL_CELLS = [
  'name',
  'class',
  'pack',
  'price',
  'pack2',
  'price2',
  'waterLeast',
  'waterMost',
  'parts',
  'partsByWeight',
  'densities',
  'thinnest',
  'thickest',
  'lift',
  'feathers',
  'grain',
  'works',
  'tools',
  'initial',
  'final',
  'reference',
  'airLeast',
  'airMost',
  'keeps',
] as const;
export type LabelCell = (typeof LABEL_CELLS)[number];
/** A label as its cells are typed. */
export type LabelCells = Readonly<Partial<Record<LabelCell, string>>>;

/** What is wrong with a cell: which, a stable code, and the figures behind it. */
export class LabelFault extends Error {
  constructor(
    readonly cell: LabelCell,
    readonly code: string,
    readonly figures: Figures = {},
  ) {
    super(`${cell}: ${code}`);
  }
}

/** Units of bare numbers, by the system of the firm; a file has none, so that a missing unit is told. */
const UNITS: Readonly<Record<UnitSystem, Partial<Record<Kind, string>>>> = {
  us: { mass: 'lb', length: 'in', temperature: 'F', duration: 'min', volume: 'qt' },
  metric: { mass: 'kg', length: 'mm', temperature: 'C', duration: 'min', volume: 'l' },
};

type Reader = {
  readonly said: (cell: LabelCell) => string;
  readonly quantity: (cell: LabelCell, kind: Kind) => number | undefined;
  readonly plain: (cell: LabelCell) => number | undefined;
  readonly range: (cell: LabelCell) => SheetTime | undefined;
  readonly list: (cell: LabelCell) => number[] | undefined;
};

function readerOf(cells: LabelCells, system: UnitSystem | null): Reader {
  const said = (cell: LabelCell): string => (cells[cell] ?? '').trim();
  const read = (cell: LabelCell, text: string, kind: Kind): number => {
    const unit = system ? UNITS[system][kind] : undefined;
    try {
      return parse({ text, kind, ...(unit ? { unit } : {}) });
    } catch (error) {
      if (error instanceof Problem) throw new LabelFault(cell, error.code, { ...error.figures, text });
      throw error;
    }
  };
  const plain = (cell: LabelCell): number | undefined => {
    if (said(cell) === '') return undefined;
    const value = Number(said(cell).replace(',', '.'));
    if (!Number.isFinite(value)) throw new LabelFault(cell, 'unreadable', { text: said(cell) });
    return value;
  };
  return {
    said,
    plain,
    quantity: (cell, kind) => (said(cell) === '' ? undefined : read(cell, said(cell), kind)),
    // "8-12 min": the first end takes the unit of the second.
    range: (cell) => {
      const [first, second] = said(cell).split(/\s*(?:-|\u2013|\bto\b)\s*/i);
      if (!first) return undefined;
      const most_s = read(cell, second ?? first, 'duration');
      const unit = /[a-z].*$/i.exec(second ?? '')?.[0] ?? '';
      const least_s = second === undefined ? most_s : read(cell, /[a-z]/i.test(first) ? first : `${first} ${unit}`, 'duration');
      return { least_s, most_s };
    },
    list: (cell) => {
      if (said(cell) === '') return undefined;
      const values = said(cell)
        .split(/\s*:\s*/)
        .map(Number);
      if (values.some((value) => !(value > 0))) throw new LabelFault(cell, 'unreadable', { text: said(cell) });
      return values;
    },
  };
}

const needed = <V>(cell: LabelCell, value: V | undefined): V => {
  if (value === undefined || value === '') throw new LabelFault(cell, 'field.any.required');
  return value;
};

/** Water as a share of the powder, or as so much for the bag. */
function waterOf({ said, plain, quantity }: Reader, pack_kg: number): Pick<LabelFigures, 'water'> {
  const ratio = (cell: LabelCell): number | undefined => {
    if (said(cell) === '') return undefined;
    if (/^[\d.,]+$/.test(said(cell)) && (plain(cell) as number) < 1) return plain(cell);
    return ((quantity(cell, 'volume') as number) * 1000) / pack_kg;
  };
  const least = ratio('waterLeast');
  const most = ratio('waterMost') ?? least;
  return most === undefined ? {} : { water: { least: least ?? most, most, byTask: {} } };
}

/** A resin's parts: what the label says of them, the rest as its class has it, a part at a time. */
function partsOf(
  { parts, densities, byMass }: { parts: number[] | undefined; densities: number[] | undefined; byMass: number[] | undefined },
  figures: ClassFigures,
): NonNullable<Sheet['resin']> {
  const base = resinOf(figures as Sheet);
  const count = (parts ?? figures.parts ?? [1]).length;
  return {
    ...base,
    densities_kg_m3: densities ?? Array.from({ length: count }, (_, i) => base.densities_kg_m3[i] ?? base.densities_kg_m3[0]!),
    byMass: byMass ?? (base.byMass?.length === count && !parts ? base.byMass : null),
  };
}

/** Sets as the label states them; the later times of the class go along with them. */
function milestonesOf(
  { initial, final, flow }: { initial: number | undefined; final: number | undefined; flow: SheetTime | undefined },
  figures: ClassFigures,
): Sheet['milestones'] {
  const { milestones } = figures;
  const slower =
    final !== undefined && milestones.final
      ? final / milestones.final
      : initial !== undefined && milestones.initial
        ? initial / milestones.initial
        : flow
          ? timeOf(flow) / timeOf(figures.flow)
          : 1;
  const later = Object.fromEntries(Object.entries(milestones).map(([name, at_s]) => [name, Math.round(at_s * slower)]));
  const said: Partial<Record<MilestoneName, number>> = {
    ...(initial === undefined ? {} : { initial }),
    ...(final === undefined ? {} : { final }),
  };
  return { ...later, ...said };
}

/** The cells that a sheet's figures would be written in, to be changed where the bag says otherwise. */
export function cellsOf(sheet: Sheet, system: UnitSystem): LabelCells {
  const unit = UNITS[system];
  const tell = (kind: 'mass' | 'length' | 'temperature' | 'duration') => (value: number) => printIn({ kind, value, unit: unit[kind]! });
  const [mass, thick, warm, lasts] = [tell('mass'), tell('length'), tell('temperature'), tell('duration')];
  const number = (value: number): string => String(significant(value, 4));
  const range = ({ least_s, most_s }: SheetTime): string => (least_s === most_s ? lasts(most_s) : `${lasts(least_s)} - ${lasts(most_s)}`);
  const [first, second] = sheet.packs;
  const { thickness, water, parts, resin, milestones, limits } = sheet;
  return {
    name: sheet.name,
    class: sheet.class,
    ...(first ? { pack: mass(first.mass_kg), price: (first.price_minor / 100).toFixed(2) } : {}),
    ...(second ? { pack2: mass(second.mass_kg), price2: (second.price_minor / 100).toFixed(2) } : {}),
    ...(water ? { waterLeast: number(water.least), waterMost: number(water.most) } : {}),
    ...(parts ? { parts: parts.join(':') } : {}),
    ...(resin ? { densities: resin.densities_kg_m3.join(':') } : {}),
    ...(resin?.byMass ? { partsByWeight: resin.byMass.join(':') } : {}),
    thinnest: thick(thickness.least_m),
    thickest: thick(thickness.most_m),
    lift: thick(thickness.liftMost_m),
    feathers: thickness.feathers ? 'yes' : 'no',
    grain: thick(sheet.grain_m),
    works: range(sheet.flow),
    tools: range(sheet.finish),
    ...(milestones.initial ? { initial: lasts(milestones.initial) } : {}),
    ...(milestones.final ? { final: lasts(milestones.final) } : {}),
    reference: warm(sheet.reference_C),
    airLeast: warm(limits.airLeast_C),
    airMost: warm(limits.airMost_C),
    keeps: String(sheet.shelfLife_days),
  };
}

const isClass = (text: string): text is SheetClass => (SHEET_CLASSES as readonly string[]).includes(text);

/**
 * What a bag says, from its cells as they are written. Bare numbers take the firm's units; a file (`system` null) must
 * carry its own.
 *
 * @throws LabelFault naming the cell, for anything that cannot be read, a unit that is missing, times without the
 *   temperature they hold at
 */
export function readLabel(cells: LabelCells, { system, base }: { system: UnitSystem | null; base?: Sheet | undefined }): LabelFigures {
  const reader = readerOf(cells, system);
  const { said, plain, quantity, range, list } = reader;
  const name = needed('name', said('name'));
  const named = needed('class', said('class'));
  if (!isClass(named)) throw new LabelFault('class', 'unknownName', { name: named });
  const pack_kg = needed('pack', quantity('pack', 'mass'));
  const price = (cell: LabelCell): number => Math.round(needed(cell, plain(cell)) * 100);
  const packs = [
    { mass_kg: pack_kg, price_minor: price('price') },
    ...(said('pack2') ? [{ mass_kg: quantity('pack2', 'mass') as number, price_minor: price('price2') }] : []),
  ];
  const [least_m, most_m, lift_m] = [quantity('thinnest', 'length'), quantity('thickest', 'length'), quantity('lift', 'length')];
  const feathers = said('feathers') === '' ? undefined : /^(y|yes|true|1)$/i.test(said('feathers'));
  const flow = range('works');
  const finish = range('tools');
  const reference_C = quantity('reference', 'temperature');
  // A life without its temperature is no figure: 12 minutes at 10 degC is another mortar than at 21.
  if ((flow || finish) && reference_C === undefined) throw new LabelFault('reference', 'referenceMissing');
  const [initial, final] = [quantity('initial', 'duration'), quantity('final', 'duration')];
  const parts = list('parts');
  const densities = list('densities');
  const byMass = list('partsByWeight');
  const [airLeast_C, airMost_C] = [quantity('airLeast', 'temperature'), quantity('airMost', 'temperature')];
  const keeps = plain('keeps');
  const grain_m = quantity('grain', 'length');
  const figures = base?.class === named ? base : classFigures(named);
  return {
    name,
    class: named,
    packs,
    ...(parts ? {} : waterOf(reader, pack_kg)),
    ...(parts ? { parts } : {}),
    ...(parts || densities || byMass ? { resin: partsOf({ parts, densities, byMass }, figures) } : {}),
    ...(least_m === undefined && most_m === undefined && lift_m === undefined && feathers === undefined
      ? {}
      : {
          thickness: {
            least_m: least_m ?? Math.min(figures.thickness.least_m, most_m ?? Infinity),
            most_m: most_m ?? Math.max(figures.thickness.most_m, least_m ?? 0),
            liftMost_m: lift_m ?? Math.min(figures.thickness.liftMost_m, most_m ?? Infinity),
            feathers: feathers ?? (least_m === undefined ? figures.thickness.feathers : least_m === 0),
          },
        }),
    ...(grain_m === undefined ? {} : { grain_m }),
    ...(flow ? { flow } : {}),
    ...(finish ? { finish } : {}),
    ...(initial === undefined && final === undefined ? {} : { milestones: milestonesOf({ initial, final, flow }, figures) }),
    ...(reference_C === undefined ? {} : { reference_C }),
    ...(airLeast_C === undefined && airMost_C === undefined
      ? {}
      : {
          limits: {
            airLeast_C: airLeast_C ?? figures.limits.airLeast_C,
            airMost_C: airMost_C ?? figures.limits.airMost_C,
            slabLeast_C: airLeast_C ?? figures.limits.slabLeast_C,
            slabMost_C: Math.max(airMost_C ?? -Infinity, figures.limits.slabMost_C),
          },
        }),
    ...(keeps === undefined ? {} : { shelfLife_days: Math.round(keeps) }),
  };
}
