import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';
import canonicalize from 'canonicalize';

/** JSON with its keys in order (RFC 8785), so that the same value gives the same text whatever wrote it. */
export const canonical = (value: unknown): string => canonicalize(value) ?? '';

/** SHA-256 of the canonical text, hex. */
export const hashOf = (value: unknown): string => bytesToHex(sha256(utf8ToBytes(canonical(value))));
