import type { Command, CommandResult, ProblemDetails } from '@tufa/contract/commands';
import type { EntityName, Row } from '@tufa/contract/entities';

/** An answer that is an error, with what it says. */
export class ApiProblem extends Error {
  constructor(readonly details: ProblemDetails) {
    super(details.title);
  }
}

/** A connection that has gone dead without a word is given up after this long: the next try may find a live one. ms */
const PATIENCE_MS = 60_000;

async function call<T>(path: string, init?: RequestInit): Promise<T> {
  const response = await fetch(`/api/v1${path}`, { ...init, headers: { 'content-type': 'application/json' }, signal: AbortSignal.timeout(PATIENCE_MS) });
  if (!response.ok) {
    const details = (await response.json().catch(() => null)) as ProblemDetails | null;
    throw new ApiProblem(details ?? { type: 'about:blank', title: response.statusText, status: response.status, code: 'ourFault' });
  }
  return (response.status === 204 ? null : await response.json()) as T;
}

/** Who is signed in on this phone. */
export interface SignedInPerson {
  readonly id: string;
  readonly name: string;
  readonly role: string;
}

/** One page of what changed since a cursor. */
export interface ChangesPage {
  readonly cursor: number;
  readonly more: boolean;
  readonly rows: Partial<Record<EntityName, readonly Row[]>>;
  readonly serverTime: string;
}

/** The firm's server, one origin, plain REST. */
export const api = {
  people: () => call<{ firm: string; people: SignedInPerson[] }>('/people'),
  session: () => call<{ person: SignedInPerson }>('/session'),
  signIn: (personId: string, device: { id: string; label: string }) =>
    call<{ person: SignedInPerson }>('/session', { method: 'POST', body: JSON.stringify({ personId, device }) }),
  signOut: () => call<null>('/session', { method: 'DELETE' }),
  changes: (since: number) => call<ChangesPage>(`/changes?since=${since}`),
  send: async (commands: readonly Command[]): Promise<CommandResult[]> =>
    (await call<{ results: CommandResult[] }>('/commands', { method: 'POST', body: JSON.stringify(commands) })).results,
};
