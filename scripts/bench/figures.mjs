// Figures of a bench: a name with its unit, a value, and what it may be at most.
import { say } from '../lib/run.mjs';

/** The value below which a share of them lies. */
export const percentile = (values, share) => [...values].sort((a, b) => a - b)[Math.min(values.length - 1, Math.floor(values.length * share))];

/** As many digits as are read: three, and no more after the point than three. */
export const digits = (value) => (value === 0 ? '0' : Math.abs(value) >= 100 ? value.toFixed(0) : String(Number(value.toPrecision(3))));

/**
 * Keeps what is measured, in the order in which it comes.
 *
 * @returns {{ figure: (name: string, value: number, limit?: { most?: number, least?: number }) => void, all: Map<string, { value: number, most?: number, least?: number }> }}
 */
export function figures({ quiet = false } = {}) {
  const all = new Map();
  const figure = (name, value, limit = {}) => {
    all.set(name, { value, ...limit });
    if (!quiet) say(`${name.padEnd(72)} ${digits(value).padStart(8)}${limitText(limit)}${isOver({ value, ...limit }) ? '   over' : ''}`);
  };
  return { figure, all };
}

export const isOver = ({ value, most = Infinity, least = -Infinity }) => value > most || value < least;

export const limitText = ({ most, least }) => (most !== undefined ? `  (at most ${digits(most)})` : least !== undefined ? `  (at least ${digits(least)})` : '');
