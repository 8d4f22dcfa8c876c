import { siFactor, celsiusFromFahrenheit, type Kind } from '@tufa/core/quantity';
import Joi from 'joi';
import { instant } from './common';

/** What a site measures with, and what each reads. */
export const INSTRUMENTS = ['depthGauge', 'thermometer', 'moistureMeter', 'laserDistance', 'scale'] as const;
export type InstrumentKind = (typeof INSTRUMENTS)[number];

/** What is read, in what units it may be answered, and what is within reason, SI. */
export const INSTRUMENT_READS: Readonly<
  Record<InstrumentKind, { readonly kind: Kind | 'share'; readonly units: readonly string[]; readonly least: number; readonly most: number }>
> = {
  depthGauge: { kind: 'length', units: ['m', 'cm', 'mm', 'in'], least: 0, most: 1 },
  thermometer: { kind: 'temperature', units: ['C', 'F'], least: -30, most: 90 },
  moistureMeter: { kind: 'share', units: ['%'], least: 0, most: 1 },
  laserDistance: { kind: 'length', units: ['m', 'cm', 'mm', 'in', 'ft'], least: 0.02, most: 100 },
  scale: { kind: 'mass', units: ['kg', 'g', 'lb'], least: 0, most: 300 },
};

/** An instrument that is there. */
export interface Instrument {
  readonly id: string;
  readonly kind: InstrumentKind;
  readonly name: string;
  /** share of its charge that is left */
  readonly battery: number;
}

/** What an address of instruments answers when it is asked which are there. */
export interface InstrumentsFile {
  readonly v: 1;
  readonly invented: boolean;
  readonly instruments: readonly Instrument[];
}

/** What one of them reads at this moment, in its own unit. */
export interface ReadingFile {
  readonly v: 1;
  readonly invented: boolean;
  readonly id: string;
  readonly kind: InstrumentKind;
  readonly value: number;
  readonly unit: string;
  readonly at: string;
  readonly battery: number;
}

const name = Joi.string().min(1).max(40);
const kind = Joi.string().valid(...INSTRUMENTS);
const share = Joi.number().min(0).max(1);

/** The schema of a list of instruments. */
export const instrumentsFile = Joi.object({
  v: Joi.number().valid(1).required(),
  invented: Joi.boolean().required(),
  instruments: Joi.array()
    .items(Joi.object({ id: name.required(), kind: kind.required(), name: name.required(), battery: share.required() }))
    .max(50)
    .required(),
});

/** The schema of a reading. */
export const readingFile = Joi.object({
  v: Joi.number().valid(1).required(),
  invented: Joi.boolean().required(),
  id: name.required(),
  kind: kind.required(),
  value: Joi.number().required(),
  unit: Joi.string().min(1).max(8).required(),
  at: instant.required(),
  battery: share.required(),
});

/** A reading as the phone takes it up: SI, and when it was. */
export interface TakenReading {
  readonly kind: InstrumentKind;
  readonly value: number;
  readonly at: string;
  readonly invented: boolean;
}

/**
 * A reading in SI.
 *
 * @returns null where its unit is none that such an instrument reads in; `within` tells whether it is within reason
 * @example siOfReading({ kind: 'thermometer', value: 68, unit: 'F' }) // { value: 20, within: true }
 */
export function siOfReading({
  kind: of,
  value,
  unit,
}: Pick<ReadingFile, 'kind' | 'value' | 'unit'>): { readonly value: number; readonly within: boolean } | null {
  const { kind: reads, units, least, most } = INSTRUMENT_READS[of];
  if (!units.includes(unit)) return null;
  const si = reads === 'share' ? value / 100 : reads === 'temperature' ? (unit === 'F' ? celsiusFromFahrenheit(value) : value) : value * siFactor(reads, unit);
  return { value: si, within: si >= least && si <= most };
}
