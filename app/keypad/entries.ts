import type { Entry } from './edit';
import type { Speaker } from '@tufa/words/speak';

/** What a typed figure is, by where it stands: a bare number means what a person of the trade means there. */
export type Typed = 'side' | 'depth' | 'temperature' | 'opens' | 'volume' | 'poured' | 'dosed' | 'mass' | 'pressure' | 'moment' | 'minutes';

const ENTRIES: Readonly<Record<Typed, Record<'us' | 'metric', Entry>>> = {
  side: {
    us: { kind: 'length', unit: 'ft', rail: ['ft', 'in', 'm', 'mm'] },
    metric: { kind: 'length', unit: 'm', rail: ['m', 'mm', 'ft', 'in'] },
  },
  depth: {
    us: { kind: 'length', unit: 'in', rail: ['in', 'mm', 'cm', 'ft'] },
    metric: { kind: 'length', unit: 'mm', rail: ['mm', 'cm', 'in', 'ft'] },
  },
  temperature: {
    us: { kind: 'temperature', unit: 'F', rail: ['F', 'C'] },
    metric: { kind: 'temperature', unit: 'C', rail: ['C', 'F'] },
  },
  volume: {
    us: { kind: 'volume', unit: 'gal', rail: ['gal', 'qt', 'oz', 'L', 'cup', 'tsp', 'mL'] },
    metric: { kind: 'volume', unit: 'L', rail: ['L', 'mL', 'gal', 'qt', 'oz', 'cup', 'tsp'] },
  },
  // What is measured into a pail, and into a cup.
  poured: {
    us: { kind: 'volume', unit: 'oz', rail: ['oz', 'qt', 'gal', 'cup', 'tsp', 'L', 'mL'] },
    metric: { kind: 'volume', unit: 'L', rail: ['L', 'mL', 'qt', 'oz', 'gal', 'cup', 'tsp'] },
  },
  dosed: {
    us: { kind: 'volume', unit: 'oz', rail: ['oz', 'tsp', 'cup', 'qt', 'mL', 'L'] },
    metric: { kind: 'volume', unit: 'mL', rail: ['mL', 'L', 'oz', 'tsp', 'cup', 'qt'] },
  },
  mass: {
    us: { kind: 'mass', unit: 'lb', rail: ['lb', 'oz', 'kg', 'g'] },
    metric: { kind: 'mass', unit: 'kg', rail: ['kg', 'g', 'lb', 'oz'] },
  },
  pressure: {
    us: { kind: 'pressure', unit: 'psi', rail: ['psi', 'MPa'] },
    metric: { kind: 'pressure', unit: 'MPa', rail: ['MPa', 'psi'] },
  },
  moment: {
    us: { kind: 'duration', unit: 's', rail: ['s', 'min'] },
    metric: { kind: 'duration', unit: 's', rail: ['s', 'min'] },
  },
  minutes: {
    us: { kind: 'duration', unit: 'min', rail: ['min', 'h', 's', 'd'] },
    metric: { kind: 'duration', unit: 'min', rail: ['min', 'h', 's', 'd'] },
  },
  opens: {
    us: { kind: 'duration', unit: 'h', rail: ['h', 'min', 'd'] },
    metric: { kind: 'duration', unit: 'h', rail: ['h', 'min', 'd'] },
  },
};

/** How a typed figure is entered in the firm's system: its kind, its own unit and the units of the rail. */
export const entryFor = (speaker: Speaker, as: Typed): Entry => ENTRIES[as][speaker.system];
