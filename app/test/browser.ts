// What every browser has and this one lacks.
import 'fake-indexeddb/auto';
import { TextDecoder, TextEncoder } from 'node:util';
import { deserialize, serialize } from 'node:v8';

Object.assign(globalThis, { TextDecoder, TextEncoder, structuredClone: (value: unknown): unknown => deserialize(serialize(value)) });
