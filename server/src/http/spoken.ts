import { SPOKEN, type Spoken } from '@tufa/contract/languages';
import type { Request } from 'express';

/** The language that whoever asks wants to be answered in: the application sends its person's, a browser its own. */
export const spokenBy = (request: Request): Spoken => (request.acceptsLanguages([...SPOKEN]) || SPOKEN[0]) as Spoken;
