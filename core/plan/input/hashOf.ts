import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';

/** JSON with its keys in order, so that the same value gives the same text whatever wrote it. */
export function canonical(value: unknown): string {
  if (Array.isArray(value)) return `[${value.map((one) => canonical(one ?? null)).join(',')}]`;
  if (value !== null && typeof value === 'object') {
    const entries = Object.entries(value)
      .filter(([, one]) => one !== undefined)
      .sort(([a], [b]) => (a < b ? -1 : 1));
    return `{${entries.map(([key, one]) => `${JSON.stringify(key)}:${canonical(one)}`).join(',')}}`;
  }
  return JSON.stringify(value);
}

/** SHA-256 of the canonical text, hex. */
export const hashOf = (value: unknown): string => bytesToHex(sha256(utf8ToBytes(canonical(value))));
