import type { Used } from '../mix';

/** What a thumb can log in a pour, and that a number is written on a ticket or a label. An undo is an event too: nothing is ever taken away. */
export const EVENT_KINDS = [
  'start',
  'placed',
  'finished',
  'wentHard',
  'note',
  'undo',
  'chalked',
  'used',
  'thrown',
  'cleaned',
  'full',
  'read',
  'tested',
  'checked',
  'broke',
  'role',
  'settled',
  'stocked',
] as const;
export type EventKind = (typeof EVENT_KINDS)[number];

/** What ends a batch: finished with the tool, gone hard before, thrown away. */
export const END_KINDS = ['finished', 'wentHard', 'thrown'] as const;
export type EndKind = (typeof END_KINDS)[number];
const isEnd = (kind: EventKind): kind is EndKind => (END_KINDS as readonly EventKind[]).includes(kind);

/** What is tapped of a batch that runs. */
export type TapKind = 'placed' | 'note' | 'cleaned' | 'full' | 'read' | 'tested' | EndKind;

/** What breaks a plan while it is poured. */
export const BREAKS = ['vessel', 'fewer', 'more', 'sun', 'shade', 'slow', 'rain', 'foundMore', 'ranOut', 'call'] as const;
export type BreakCode = (typeof BREAKS)[number];

/** What is looked at once it has set. */
export const CHECKS = ['lip', 'fall', 'low', 'texture', 'colour', 'hollow', 'pull'] as const;
export type CheckCode = (typeof CHECKS)[number];

/** Who does what at a batch. */
export const ROLES = ['mix', 'place', 'finish'] as const;
export type Role = (typeof ROLES)[number];

/** What of a pour concerns the whole job and no batch of it. */
export const OF_JOB = '0';

/** What an event says beside its kind. */
export interface EventPayload {
  readonly text?: string;
  /** by which the batch list knows the batch, whatever its number */
  readonly key?: string;
  /** what really went in */
  readonly used?: Used;
  /** temperatures that were read, degC */
  readonly pail_C?: number;
  readonly slab_C?: number;
  /** what was tested by hand or looked at, and whether it passed */
  readonly test?: string;
  readonly passed?: boolean;
  /** what broke, and what was chosen; null where the plan was left as it is */
  readonly what?: BreakCode;
  readonly choice?: string | null;
  readonly role?: Role;
  /** of two plans written without signal the one that goes on */
  readonly plan?: string;
  /** a note that was spoken: which recording */
  readonly voice?: string;
  /** what was taken off the yard's stock of a product, kg */
  readonly taken?: { readonly productId: string; readonly mass_kg: number };
}

/** A test by hand, or a look, of a batch. */
export interface Tested {
  readonly test: string;
  readonly passed: boolean;
  readonly at: number;
  readonly person: string;
}

/** What was tapped, by whom, when. */
export interface PourEvent {
  readonly id: string;
  readonly jobId: string;
  readonly findingId: string;
  readonly planId: string;
  /** what is written on the pail: the list's number, its third shot 5-3, or 4b for an extra one; never used again */
  readonly batch: string;
  readonly device: string;
  readonly seq: number;
  /** ms since 1970 on the phone, and what to add to it to have the firm's time */
  readonly deviceAt: number;
  readonly clockOffset: number;
  readonly person: string;
  readonly kind: EventKind;
  readonly v: 1;
  readonly payload: EventPayload;
  readonly undoes?: string;
}

/** Where a batch stands once its events are folded. */
export interface BatchState {
  readonly batch: string;
  readonly findingId: string;
  readonly planId: string;
  /** by which the batch list knows it; null for what was logged before there was one */
  readonly key: string | null;
  readonly startedAt: number;
  readonly person: string;
  readonly placedAt: number | null;
  /** both are kept when a batch was ended twice */
  readonly ends: readonly { readonly kind: EndKind; readonly at: number; readonly eventId: string }[];
  readonly notes: readonly { readonly text: string; readonly at: number; readonly voice?: string }[];
  readonly tests: readonly Tested[];
  /** the last that was read, degC */
  readonly pail_C: number | null;
  readonly slab_C: number | null;
  readonly cleanedAt: number | null;
  /** the line it fills is full: no shot of it follows */
  readonly full: boolean;
  readonly running: boolean;
}

/** When it was tapped by the firm's clock, ms. */
export const correctedAt = (event: PourEvent): number => event.deviceAt + event.clockOffset;

/** The order in which events happened: corrected time, then device, then its own count. */
export const byTime = (a: PourEvent, b: PourEvent): number =>
  correctedAt(a) - correctedAt(b) || (a.device < b.device ? -1 : a.device > b.device ? 1 : a.seq - b.seq);

/** Events that stand: without those undone and without the undoing itself. */
export function standing(events: readonly PourEvent[]): PourEvent[] {
  const undone = new Set(events.filter(({ kind }) => kind === 'undo').map(({ undoes }) => undoes));
  return events.filter(({ id, kind }) => kind !== 'undo' && !undone.has(id)).sort(byTime);
}

/** What an event changes of its batch. */
function changeOf(state: BatchState, { id, kind, payload, person }: PourEvent, at: number): Partial<BatchState> {
  const { text = '', test, passed = true, pail_C, slab_C, voice } = payload;
  if (isEnd(kind)) return { ends: [...state.ends, { kind, at, eventId: id }], running: false };
  if (kind === 'placed') return { placedAt: state.placedAt ?? at };
  if (kind === 'note') return { notes: [...state.notes, { text, at, ...(voice ? { voice } : {}) }] };
  // The last shot of a line ends with it.
  if (kind === 'full') return { full: true, ends: [...state.ends, { kind: 'finished', at, eventId: id }], running: false };
  if (kind === 'cleaned') return { cleanedAt: at };
  if (kind === 'read') return { pail_C: pail_C ?? state.pail_C, slab_C: slab_C ?? state.slab_C };
  return kind === 'tested' && test !== undefined ? { tests: [...state.tests, { test, passed, at, person }] } : {};
}

/** What really went into each batch, by what is written on it: the last that was said. */
export function usedOf(events: readonly PourEvent[]): ReadonlyMap<string, Used> {
  const used = new Map<string, Used>();
  for (const { kind, batch, payload } of standing(events)) if (kind === 'used' && payload.used) used.set(batch, payload.used);
  return used;
}

/**
 * Batches as the events leave them. Events of a batch whose start was undone wait unseen until it stands again; a second
 * start of the same number is ignored in favour of the first.
 */
export function fold(events: readonly PourEvent[]): BatchState[] {
  const batches = new Map<string, BatchState>();
  for (const event of standing(events)) {
    const at = correctedAt(event);
    const key = `${event.findingId} ${event.batch}`;
    const state = batches.get(key);
    if (event.kind === 'start') {
      if (!state)
        batches.set(key, {
          batch: event.batch,
          findingId: event.findingId,
          planId: event.planId,
          key: event.payload.key ?? null,
          startedAt: at,
          person: event.person,
          placedAt: null,
          ends: [],
          notes: [],
          tests: [],
          pail_C: null,
          slab_C: null,
          cleanedAt: null,
          full: false,
          running: true,
        });
      continue;
    }
    if (!state) continue;
    batches.set(key, { ...state, ...changeOf(state, event, at) });
  }
  return [...batches.values()].sort((a, b) => a.startedAt - b.startedAt);
}

/** A start of a number that was started already, by somebody who could not know. */
export interface StartedTwice {
  readonly batch: string;
  readonly first: { readonly person: string; readonly at: number };
  readonly second: { readonly person: string; readonly at: number };
}

/** Numbers that stand started more than once. */
export function startedTwice(events: readonly PourEvent[]): StartedTwice[] {
  const first = new Map<string, PourEvent>();
  return standing(events)
    .filter(({ kind }) => kind === 'start')
    .flatMap((event) => {
      const before = first.get(event.batch);
      if (!before) first.set(event.batch, event);
      return before
        ? [{ batch: event.batch, first: { person: before.person, at: correctedAt(before) }, second: { person: event.person, at: correctedAt(event) } }]
        : [];
    });
}

/** What each person does, as they said last. */
export function rolesOf(events: readonly PourEvent[]): ReadonlyMap<string, Role> {
  const roles = new Map<string, Role>();
  for (const { kind, person, payload } of standing(events)) if (kind === 'role' && payload.role) roles.set(person, payload.role);
  return roles;
}

/** What was taken off the stock for a job so far, by product, kg. */
export function takenOf(events: readonly PourEvent[]): ReadonlyMap<string, number> {
  const taken = new Map<string, number>();
  for (const { kind, payload } of standing(events))
    if (kind === 'stocked' && payload.taken) taken.set(payload.taken.productId, (taken.get(payload.taken.productId) ?? 0) + payload.taken.mass_kg);
  return taken;
}

/** What was looked at of each finding, check by check, as it was said last. */
export function checksOf(events: readonly PourEvent[]): ReadonlyMap<string, Partial<Record<string, boolean>>> {
  const checks = new Map<string, Partial<Record<string, boolean>>>();
  for (const { kind, findingId, payload } of standing(events))
    if (kind === 'checked' && payload.test !== undefined) checks.set(findingId, { ...checks.get(findingId), [payload.test]: payload.passed ?? true });
  return checks;
}
