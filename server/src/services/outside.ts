import Joi, { type Schema } from 'joi';
import { check } from '@tufa/contract/validate';

/** What an outside service's answer may be told as: reached and read, or why not. */
export type Outside<T> = { readonly said: T } | { readonly failed: 'unreachable' | 'unreadable' } | { readonly failed: 'refused'; readonly code: string };

/** The body of an answer, no more of it than was agreed; null where it says more. */
async function textOf(response: Response, most_bytes: number): Promise<string | null> {
  let text = '';
  const decoder = new TextDecoder();
  for await (const piece of response.body ?? []) {
    text += decoder.decode(piece as Uint8Array, { stream: true });
    if (text.length > most_bytes) return null;
  }
  return text;
}

/**
 * Asks a service outside at an address that whoever runs the server has set. Redirects are not followed, it is given so
 * long and may say so much, and what it says is held against its schema.
 */
export async function askOutside<T>({
  url,
  schema,
  patience_ms,
  most_bytes,
}: {
  url: URL;
  schema: Schema;
  patience_ms: number;
  most_bytes: number;
}): Promise<Outside<T>> {
  let ok: boolean;
  let text: string | null;
  try {
    const response = await fetch(url, { redirect: 'error', signal: AbortSignal.timeout(patience_ms), headers: { accept: 'application/json' } });
    ({ ok } = response);
    text = await textOf(response, most_bytes);
  } catch {
    return { failed: 'unreachable' };
  }
  const body = text === null ? undefined : jsonOf(text);
  if (!ok) {
    const { value, fault } = check<{ code: string }>(refusal, body);
    return fault ? { failed: 'unreachable' } : { failed: 'refused', code: value.code };
  }
  const { value, fault } = check<T>(schema.required(), body);
  return fault ? { failed: 'unreadable' } : { said: value };
}

/** Why a service does not answer, where it says so by a code. */
const refusal = Joi.object({ code: Joi.string().max(60).required() })
  .unknown()
  .required();

/** What a text says as JSON; nothing where it is none. */
function jsonOf(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}
