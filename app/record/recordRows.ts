import type { FirmData } from '@tufa/contract/entities';
import { MIX } from '@tufa/core/mix';
import type { Batch } from '@tufa/core/plan';
import { usedOf, type BatchState, type EndKind, type PourEvent } from '@tufa/core/pour';
import { bagOf } from '@tufa/core/shelf';
import { batchOfPlan } from '../pour/clocks';
import { sheetOf } from '@tufa/core/plan';

/** One batch, as planned and as it went. */
export interface RecordRow {
  readonly batch: string;
  readonly material: string;
  readonly startedAt: number;
  readonly person: string;
  readonly share: number;
  readonly powder_kg: number;
  readonly water_kg: number;
  /** it was made for so much; null where that is not told by area */
  readonly area_m2: number | null;
  readonly mix_C: number;
  readonly air_C: number;
  readonly slab_C: number;
  readonly planPlace_s: number;
  readonly planFinish_s: number;
  readonly placed_s: number | null;
  readonly ended_s: number | null;
  readonly ends: readonly EndKind[];
  readonly notes: readonly string[];
  /** notes that were spoken: which recordings */
  readonly voices: readonly string[];
  /** as its plan has it */
  readonly planned: Batch;
  /** water that really went in, kg; null where nobody has said */
  readonly used_kg: number | null;
}

const waterOf = (water_m3: number | undefined): number | null => (water_m3 === undefined ? null : water_m3 * MIX.water_kg_m3);

/** Batches whose plan cannot be read here. */
export const unreadBatches = (data: FirmData, batches: readonly BatchState[]): BatchState[] => batches.filter((batch) => !batchOfPlan(data, batch));

/** What was mixed, when, how warm, how long it really took beside what its plan said. */
export function recordRows(data: FirmData, batches: readonly BatchState[], events: readonly PourEvent[] = []): RecordRow[] {
  const used = usedOf(events);
  return batches.flatMap((batch) => {
    const planned = batchOfPlan(data, batch);
    const window = planned?.batch.window;
    if (!planned || !window) return [];
    const sheet = sheetOf(planned.input, planned.batch.productId);
    const since = (at: number | null | undefined): number | null => (at === null || at === undefined ? null : (at - batch.startedAt) / 1000);
    return [
      {
        batch: batch.batch,
        material: sheet?.name ?? '',
        startedAt: batch.startedAt,
        person: data.person[batch.person]?.name ?? '',
        share: sheet ? window.batch.powder_kg / bagOf(sheet).mass_kg : 0,
        powder_kg: window.batch.powder_kg,
        water_kg: window.batch.water_kg,
        area_m2: window.batch.area_m2 > 0 ? window.batch.area_m2 : null,
        mix_C: batch.pail_C ?? window.mix_C,
        air_C: window.question.air_C,
        slab_C: batch.slab_C ?? window.question.slab_C,
        planPlace_s: window.window.placeBy_s,
        planFinish_s: window.window.finishBy_s,
        placed_s: since(batch.placedAt),
        ended_s: since(batch.ends[0]?.at),
        ends: batch.ends.map(({ kind }) => kind),
        notes: batch.notes.flatMap(({ text }) => (text === '' ? [] : [text])),
        voices: batch.notes.flatMap(({ voice }) => voice ?? []),
        planned: planned.batch,
        used_kg: waterOf(used.get(batch.batch)?.water_m3),
      },
    ];
  });
}
