import { createHash, randomBytes } from 'node:crypto';

/** What opens a door and is given away once: 256 bits as text that fits an address. */
export const newSecret = (): string => randomBytes(32).toString('base64url');

/** What is kept of a secret. Secrets are as good as random, so that a plain hash tells nothing of them. */
export const hashOf = (secret: string): string => createHash('sha256').update(secret).digest('base64url');

/** Without letters that are taken for others. */
const LETTERS = 'abcdefghjkmnpqrstuvwxyz23456789';

/** A secret that a person copies from paper or a terminal: four groups of five, 99 bits. @example 'k3xw9-pmr4t-...' */
export function newCode(): string {
  const drawn: string[] = [];
  // Bytes past the last whole round of letters would favour the first of them.
  while (drawn.length < 20) for (const byte of randomBytes(32)) if (byte < 248 && drawn.length < 20) drawn.push(LETTERS[byte % LETTERS.length]!);
  return (drawn.join('').match(/.{5}/g) ?? []).join('-');
}

/** A code as it was copied: capitals, spaces and dashes are the hand's. */
export const hashOfCode = (typed: string): string => hashOf(typed.toLowerCase().replace(/[^a-z0-9]/g, ''));
