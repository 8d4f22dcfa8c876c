import Joi from 'joi';
import { id, optionalText, text } from './common';
import type { Role } from './rights';

/** By what somebody signs in: a name of their own choice, an address of theirs for most. */
export const signInName = Joi.string()
  .trim()
  .lowercase()
  .min(3)
  .max(80)
  .pattern(/^[^\s]+$/);

/** Twelve characters or more; how good it is, is judged by what it would cost to guess. */
export const passphrase = Joi.string().min(12).max(200);

const device = Joi.object({ id: id.required(), label: optionalText(80).required() }).required();
const token = Joi.string().pattern(/^[\w-]{43}$/);
const code = Joi.string().trim().min(20).max(40);

/** What each way of signing in takes. */
export const DOORS = {
  signIn: Joi.object({ personId: id.required(), device }).required(),
  byPassphrase: Joi.object({ signIn: signInName.required(), passphrase: Joi.string().min(1).max(200).required(), device }).required(),
  byRecovery: Joi.object({ signIn: signInName.required(), code: code.required(), passphrase: passphrase.required(), device }).required(),
  byInvitation: Joi.object({ token: token.required(), signIn: signInName.required(), passphrase: passphrase.required(), device }).required(),
  byPasskey: Joi.object({ response: Joi.object().unknown().required(), device }).required(),
  invitation: Joi.object({ token: token.required() }).required(),
  firm: Joi.object({
    code: code.required(),
    firm: text(80).required(),
    name: text(80).required(),
    signIn: signInName.required(),
    passphrase: passphrase.required(),
    system: Joi.string().valid('us', 'metric').required(),
    currency: Joi.string()
      .pattern(/^[A-Z]{3}$/)
      .required(),
    device,
  }).required(),
  newPassphrase: Joi.object({ former: Joi.string().min(1).max(200).required(), passphrase: passphrase.required() }).required(),
  passkey: Joi.object({ response: Joi.object().unknown().required(), label: text(60).required() }).required(),
  shut: Joi.object({ unsent: Joi.string().valid('take', 'leave').required() }).required(),
  link: Joi.object({ days: Joi.number().integer().min(1).max(90).required() }).required(),
} as const;

/** Who is signed in on a phone, and on which device of the firm's. */
export interface Session {
  readonly firmId: string;
  readonly device: string;
  readonly person: { readonly id: string; readonly name: string; readonly role: Role; /** a role of the demonstration */ readonly demonstration?: true };
}

/** What an invitation says to whoever has it. */
export interface Invited {
  readonly firm: string;
  readonly name: string;
  readonly role: Role;
  readonly endsAt: string;
}

/** What stands open at a firm's doors, for its owner. */
export interface DoorsState {
  readonly people: readonly {
    readonly id: string;
    readonly signIn: string | null;
    readonly passkeys: number;
    readonly sessions: number;
    readonly invitedUntil: string | null;
  }[];
  readonly devices: readonly {
    readonly id: string;
    readonly label: string;
    readonly seenAt: string;
    readonly persons: readonly string[];
    readonly shut: 'taking' | 'last' | 'ended' | null;
    readonly wipedAt: string | null;
  }[];
}

/** What somebody opens the doors with. */
export interface OwnDoors {
  readonly signIn: string | null;
  readonly passkeys: readonly { readonly id: string; readonly label: string; readonly madeAt: string; readonly usedAt: string | null }[];
  readonly codesLeft: number;
  readonly sessions: number;
}

/** A line of what was done, for whoever reads the trail. */
export interface TrailLine {
  readonly at: string;
  readonly person: string;
  readonly device: string;
  readonly kind: string;
  readonly target: string;
  readonly result: string;
}
