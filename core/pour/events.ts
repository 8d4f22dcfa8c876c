import type { Used } from '../mix';

/** What a thumb can log in a pour, and that a number is written on a ticket or a label. An undo is an event too: nothing is ever taken away. */
export const EVENT_KINDS = ['start', 'placed', 'finished', 'wentHard', 'note', 'undo', 'chalked', 'used'] as const;
export type EventKind = (typeof EVENT_KINDS)[number];

/** What is tapped of a batch that runs. */
export type TapKind = Exclude<EventKind, 'start' | 'undo' | 'chalked' | 'used'>;

/** What an event says beside its kind. */
export interface EventPayload {
  readonly text?: string;
  /** by which the batch list knows the batch, whatever its number */
  readonly key?: string;
  /** what really went in */
  readonly used?: Used;
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
  readonly ends: readonly { readonly kind: 'finished' | 'wentHard'; readonly at: number; readonly eventId: string }[];
  readonly notes: readonly { readonly text: string; readonly at: number }[];
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
          running: true,
        });
      continue;
    }
    if (!state) continue;
    if (event.kind === 'placed') batches.set(key, { ...state, placedAt: state.placedAt ?? at });
    else if (event.kind === 'note') batches.set(key, { ...state, notes: [...state.notes, { text: event.payload.text ?? '', at }] });
    else if (event.kind === 'finished' || event.kind === 'wentHard')
      batches.set(key, { ...state, ends: [...state.ends, { kind: event.kind, at, eventId: event.id }], running: false });
  }
  return [...batches.values()].sort((a, b) => a.startedAt - b.startedAt);
}
