import type { Entry } from './edit';
import type { Speaker } from '@tufa/words/speak';

/** What a typed figure is, by where it stands: a bare number means what a person of the trade means there. */
export type Typed = 'side' | 'depth' | 'temperature' | 'opens' | 'volume' | 'mass' | 'pressure' | 'moment' | 'minutes';

const ENTRIES: Readonly<Record<Typed, Record<'us' | 'metric', Entry>>> = {
  side: {
    us: { kind: 'length', own: 'ft', rail: ['ft', 'in', 'm', 'mm'] },
    metric: { kind: 'length', own: 'm', rail: ['m', 'mm', 'ft', 'in'] },
  },
  depth: {
    us: { kind: 'length', own: 'in', rail: ['in', 'mm', 'cm', 'ft'] },
    metric: { kind: 'length', own: 'mm', rail: ['mm', 'cm', 'in', 'ft'] },
  },
  temperature: {
    us: { kind: 'temperature', own: 'F', rail: ['F', 'C'] },
    metric: { kind: 'temperature', own: 'C', rail: ['C', 'F'] },
  },
  volume: {
    us: { kind: 'volume', own: 'gal', rail: ['gal', 'qt', 'oz', 'L', 'cup', 'tsp', 'mL'] },
    metric: { kind: 'volume', own: 'L', rail: ['L', 'mL', 'gal', 'qt', 'oz', 'cup', 'tsp'] },
  },
  mass: {
    us: { kind: 'mass', own: 'lb', rail: ['lb', 'oz', 'kg', 'g'] },
    metric: { kind: 'mass', own: 'kg', rail: ['kg', 'g', 'lb', 'oz'] },
  },
  pressure: {
    us: { kind: 'pressure', own: 'psi', rail: ['psi', 'MPa'] },
    metric: { kind: 'pressure', own: 'MPa', rail: ['MPa', 'psi'] },
  },
  moment: {
    us: { kind: 'duration', own: 's', rail: ['s', 'min'] },
    metric: { kind: 'duration', own: 's', rail: ['s', 'min'] },
  },
  minutes: {
    us: { kind: 'duration', own: 'min', rail: ['min', 'h', 's', 'd'] },
    metric: { kind: 'duration', own: 'min', rail: ['min', 'h', 's', 'd'] },
  },
  opens: {
    us: { kind: 'duration', own: 'h', rail: ['h', 'min', 'd'] },
    metric: { kind: 'duration', own: 'h', rail: ['h', 'min', 'd'] },
  },
};

/** How a typed figure is entered in the firm's system: its kind, its own unit and the units of the rail. */
export const entryFor = (speaker: Speaker, as: Typed): Entry => ENTRIES[as][speaker.system];
