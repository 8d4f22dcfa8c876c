import type { DocumentKind, DocumentMade } from '@tufa/contract/documents';
import type { ArchiveBrought } from '@tufa/contract/archive';
import type { FindQuery, FoundPage, Trend } from '@tufa/contract/found';
import type { DoorsState, Invited, OwnDoors, Session, TrailLine } from '@tufa/contract/doors';
import type { PublicKeyCredentialCreationOptionsJSON, PublicKeyCredentialRequestOptionsJSON } from '@simplewebauthn/browser';
import type { Spoken } from '@tufa/contract/languages';
import { spokenNow } from '../parts/phone/language';
import { leftOut } from '../rows/closedJobs';
import type { ForecastFields, Row, RowOf } from '@tufa/contract/entities';
import type { Instrument, TakenReading } from '@tufa/contract/instruments';
import type { Place } from '@tufa/core/plan';
import type { Command, CommandResult, ProblemDetails } from '@tufa/contract/commands';

/** An answer that is an error, with what it says. */
export class ApiProblem extends Error {
  constructor(
    readonly details: ProblemDetails,
    /** the firm's own server said so, and not whatever stands between */
    readonly ours = true,
  ) {
    super(details.title);
  }
}

/** Statuses with which the server speaks of what was sent. Of the others (who asks, how often, from where) the same command may be taken later. */
const ABOUT_CONTENT: readonly number[] = [400, 409, 412, 413, 415, 422];

/** Whether the firm's own server has refused what was sent, so that it would refuse it again. */
export const isAboutContent = (error: unknown): error is ApiProblem =>
  error instanceof ApiProblem && error.ours && ABOUT_CONTENT.includes(error.details.status);

const PROBLEM = 'urn:tufa:problem:';

/** What an error says where it is the firm's own; else that something between has answered. */
export async function problemOf(response: Response): Promise<ApiProblem> {
  const details = (await response.json().catch(() => null)) as ProblemDetails | null;
  if (details?.type?.startsWith(PROBLEM)) return new ApiProblem(details);
  return notOurs(response);
}

const ANOTHERS = { type: 'about:blank', title: '', status: 200, code: 'ourFault' };
const notOurs = ({ statusText, status }: Response): ApiProblem => new ApiProblem({ type: 'about:blank', title: statusText, status, code: 'ourFault' }, false);

/** A connection that has gone dead without a word is given up after this long: the next try may find a live one. ms */
const PATIENCE_MS = 60_000;

/** Ends what is asked once patience is over, or the phone knows that it has no signal any more: what waits for a dead connection keeps all else waiting. */
function patience(): AbortSignal {
  const asking = new AbortController();
  const end = (): void => {
    clearTimeout(timer);
    window.removeEventListener('offline', end);
    asking.abort(new DOMException('', 'TimeoutError'));
  };
  const timer = setTimeout(end, PATIENCE_MS);
  window.addEventListener('offline', end);
  return asking.signal;
}

/** What has answered is not the firm. */
export const notTheFirm = (): ApiProblem => new ApiProblem(ANOTHERS, false);

async function ask(path: string, init?: RequestInit): Promise<Response> {
  const response = await fetch(`/api/v1${path}`, {
    ...init,
    headers: { 'content-type': 'application/json', 'accept-language': spokenNow() },
    signal: patience(),
  });
  if (!response.ok) throw await problemOf(response);
  return response;
}

async function call<T>(path: string, init?: RequestInit): Promise<T> {
  const response = await ask(path, init);
  if (response.status === 204) return null as T;
  // A page that signs people in to a network answers everything with itself.
  return (await response.json().catch(() => Promise.reject(notOurs(response)))) as T;
}

/** Who is signed in on this phone. */
export type SignedInPerson = Session['person'];

const post = (told: object): RequestInit => ({ method: 'POST', body: JSON.stringify(told) });

/** What the weather service said, as the firm's server read it. */
export type ServedForecast = Pick<ForecastFields, 'latitude_deg' | 'longitude_deg' | 'from' | 'hours' | 'invented'>;

/** A job's own row, and its tables by id. */
type JobWhole = { readonly job: RowOf<'job'> } & Readonly<Record<string, Readonly<Record<string, Row>>>>;

/** The firm's server, one origin, plain REST. */
export const api = {
  people: () => call<{ firm: string; people: SignedInPerson[]; demonstration: boolean }>('/people'),
  session: () => call<Session>('/session'),
  /** by a role of the demonstration, a passphrase, a code, an invitation or a passkey */
  signIn: (by: '' | '/passphrase' | '/recovery' | '/invitation' | '/passkey', told: object) => call<Session>(`/session${by}`, post(told)),
  signOut: () => call<null>('/session', { method: 'DELETE' }),
  makeFirm: (told: object) => call<Session & { readonly codes: string[] }>('/firms', post(told)),
  invited: (token: string) => call<Invited>('/invitations/look', post({ token })),
  /** a phone that is shut out: it may send once more what waits, then says that it is empty */
  lastWord: () => call<null>('/session/last', { method: 'POST' }),
  wiped: () => call<null>('/session/wiped', { method: 'POST' }),
  /** the firm's doors, for its owner; one's own, for everybody */
  doors: () => call<DoorsState>('/doors'),
  ownDoors: () => call<OwnDoors>('/doors/mine'),
  invite: (personId: string) => call<{ token: string; endsAt: string }>(`/people/${personId}/invitation`, { method: 'POST' }),
  endSessions: (personId: string) => call<null>(`/people/${personId}/sessions`, { method: 'DELETE' }),
  shutDevice: (deviceId: string, unsent: 'take' | 'leave') => call<null>(`/devices/${deviceId}/shut`, post({ unsent })),
  openDevice: (deviceId: string) => call<null>(`/devices/${deviceId}/shut`, { method: 'DELETE' }),
  newPassphrase: (told: object) => call<null>('/passphrase', { method: 'PUT', body: JSON.stringify(told) }),
  newCodes: () => call<{ codes: string[] }>('/recovery-codes', { method: 'POST' }),
  askPasskey: () => call<PublicKeyCredentialRequestOptionsJSON>('/session/passkey/options', { method: 'POST' }),
  offerPasskey: () => call<PublicKeyCredentialCreationOptionsJSON>('/passkeys/options', { method: 'POST' }),
  keepPasskey: (response: object, label: string) => call<object>('/passkeys', post({ response, label })),
  dropPasskey: (id: string) => call<null>(`/passkeys/${id}`, { method: 'DELETE' }),
  trail: (before?: string, most = 200) =>
    call<{ lines: TrailLine[] }>(`/trail?${new URLSearchParams({ most: String(most), ...(before ? { before } : {}) }).toString()}`).then(({ lines }) => lines),
  /** on somebody's request, by an owner */
  erasePerson: (id: string) => call<null>(`/people/${id}/erasure`, post({})),
  eraseCustomer: (jobId: string) => call<{ jobs: number; files: number }>(`/jobs/${jobId}/erasure`, post({})),
  /** a link by which a customer reads one document */
  linkDocument: (id: string, days: number) => call<{ path: string; endsAt: string }>(`/documents/${id}/link`, post({ days })),
  endLinks: (id: string) => call<null>(`/documents/${id}/link`, { method: 'DELETE' }),
  /** documents of a job, the newest first; making one begins it, and the list tells how far it is */
  documents: (jobId: string) => call<{ documents: DocumentMade[] }>(`/jobs/${jobId}/documents`).then(({ documents }) => documents),
  makeDocument: (jobId: string, asked: { readonly kind: DocumentKind; readonly language: Spoken }) =>
    call<DocumentMade>(`/jobs/${jobId}/documents`, post(asked)),
  stopDocument: (id: string) => call<DocumentMade>(`/documents/${id}`, { method: 'DELETE' }),
  /** a firm from an archive: long where it holds years of pictures, so nobody's patience ends it */
  bringArchive: async (file: Blob): Promise<ArchiveBrought> => {
    const response = await fetch('/api/v1/archive', {
      method: 'PUT',
      body: file,
      headers: { 'content-type': 'application/zip', 'accept-language': spokenNow() },
    });
    if (!response.ok) throw await problemOf(response);
    return (await response.json()) as ArchiveBrought;
  },
  /** a job with what is in it, as the firm has it */
  job: (jobId: string) => call<JobWhole>(`/jobs/${jobId}`),
  /** what of the firm has some words, and what its batches have cost */
  search: (asked: FindQuery) => call<FoundPage>(`/search?${new URLSearchParams(asked).toString()}`),
  trends: () => call<{ trends: Trend[]; waiting: number }>('/trends'),
  /** what a place's weather service says, three days back and eight ahead */
  weather: ({ latitude_deg, longitude_deg }: Place) => call<ServedForecast>(`/weather?latitude_deg=${latitude_deg}&longitude_deg=${longitude_deg}`),
  /** instruments of the site that are in reach, and what one of them reads now */
  instruments: () => call<{ instruments: Instrument[] }>('/instruments').then(({ instruments }) => instruments),
  readInstrument: ({ id, kind }: Instrument) => call<TakenReading>(`/instruments/reading?${new URLSearchParams({ id, kind }).toString()}`),
  /** One page of what changed since a place, as it came: it is read where it is kept. */
  changes: (since: number, after?: string) => {
    const query = new URLSearchParams({ since: String(since), ...(after ? { after } : {}), ...leftOut() });
    return ask(`/changes?${query.toString()}`).then((response) => response.arrayBuffer());
  },
  /** Their results in their order; what answers otherwise is not the firm. @throws ApiProblem */
  send: async (commands: readonly Command[]): Promise<CommandResult[]> => {
    const { results } = await call<{ results?: CommandResult[] }>('/commands', { method: 'POST', body: JSON.stringify(commands) });
    if (!Array.isArray(results) || !commands.every(({ id }, i) => results[i]?.id === id)) throw notTheFirm();
    return results;
  },
};
