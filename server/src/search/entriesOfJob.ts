import type { FirmData, RowOf } from '@tufa/contract/entities';
import { pourEventsOf } from '@tufa/contract/pourEvents';
import { sheetOf } from '@tufa/core/plan';
import { checksOf, correctedAt, fold, standing } from '@tufa/core/pour';
import { bagOf } from '@tufa/core/shelf';
import { weatherClass, type WeatherClass } from '@tufa/core/weather';
import { say, sayCoded, type Speaker } from '@tufa/words';
import { findingName } from '@tufa/words/findingName';
import { pouredOf, type PouredPart } from '../documents/JobParts';
import { UNCOUNTED, type SearchEntry } from './SearchEntry';

const joined = (...parts: readonly (string | null | undefined)[]): string => parts.filter(Boolean).join(', ');

/** What of a poured batch is searched and counted. */
interface Poured extends PouredPart {
  readonly startId: string;
  readonly weather: WeatherClass | null;
  readonly product: string | null;
  readonly findingIds: readonly string[];
}

/** A job as it is searched: itself, its findings, batches and notes, each with what a person would remember of it. */
export function entriesOfJob(speaker: Speaker, data: FirmData, job: RowOf<'job'>): SearchEntry[] {
  const events = pourEventsOf(data, job.id);
  const batches = fold(events);
  const startOf = new Map(events.flatMap(({ id, kind, batch }) => (kind === 'start' ? [[batch, id] as const] : [])));
  const poured = pouredOf({ data, batches }).map((part): Poured => {
    const question = part.planned?.batch.window?.question;
    const { batch, slab_C } = part.state;
    return {
      ...part,
      startId: startOf.get(batch) ?? '',
      weather: question ? weatherClass({ air_C: question.air_C, slab_C: slab_C ?? question.slab_C }) : null,
      product: (part.planned && sheetOf(part.planned.input, part.planned.batch.productId)?.name) ?? null,
      findingIds: part.planned?.batch.serves.map(({ findingId }) => findingId) ?? [part.state.findingId],
    };
  });
  const placeOf = (findingId: string): RowOf<'element'> | undefined => data.element[data.finding[findingId]?.elementId ?? ''];
  const placeText = (element: RowOf<'element'> | undefined): string =>
    element
      ? joined(
          element.name,
          sayCoded(speaker, `word.kind.${element.kind}`),
          element.properties.material && sayCoded(speaker, `word.substrate.${element.properties.material}`),
        )
      : '';
  const weatherText = (weather: WeatherClass | null): string | null => weather && say(speaker, `find.weather.${weather}`);
  const again = new Set([...checksOf(events)].flatMap(([findingId, checks]) => (Object.values(checks).some((passed) => passed === false) ? [findingId] : [])));
  const whose = joined(job.name, job.customer, job.address);
  const began = batches[0] ? new Date(Math.min(...batches.map(({ startedAt }) => startedAt))) : job.pourOn ? new Date(`${job.pourOn}:00Z`) : null;
  const of = (entry: Pick<SearchEntry, 'kind' | 'id' | 'title' | 'said'> & Partial<SearchEntry>): SearchEntry => ({
    ...UNCOUNTED,
    jobId: job.id,
    at: began,
    ...entry,
  });

  const findings = Object.values(data.finding)
    .filter(({ removed, elementId }) => !removed && data.element[elementId]?.removed === false)
    .map(({ id }) => {
      const treatment = Object.values(data.treatment).find(({ findingId, removed }) => findingId === id && !removed);
      const served = poured.filter(({ findingIds }) => findingIds.includes(id));
      const product = (treatment && data.sheet[treatment.sheetId]?.sheet.name) ?? null;
      return of({
        kind: 'finding',
        id,
        title: findingName(speaker, data, id),
        said: joined(
          placeText(placeOf(id)),
          product,
          ...new Set(served.map(({ weather }) => weatherText(weather))),
          again.has(id) ? say(speaker, 'find.again') : null,
          whose,
        ),
        place: placeOf(id)?.kind ?? null,
        product,
        weather: served[0]?.weather ?? null,
        calledBack: served.length > 0 ? again.has(id) : null,
      });
    });

  const ofBatches = poured.map(({ state, planned, startId, weather, product, findingIds }) => {
    const [end] = state.ends;
    const window = planned?.batch.window;
    const sheet = planned && sheetOf(planned.input, planned.batch.productId);
    const bag = sheet && bagOf(sheet);
    const mixed_kg = window && bag ? window.batch.powder_kg : null;
    const names = findingIds.map((id) => findingName(speaker, data, id));
    return of({
      kind: 'batch',
      id: startId,
      at: new Date(state.startedAt),
      title: joined(say(speaker, 'mix.batchOf', { number: state.batch }), product),
      said: joined(
        ...names,
        ...new Set(findingIds.map((id) => placeText(placeOf(id)))),
        weatherText(weather),
        end ? sayCoded(speaker, `record.${end.kind}`) : say(speaker, 'record.running'),
        data.person[state.person]?.name,
        whose,
      ),
      place: placeOf(findingIds[0] ?? '')?.kind ?? null,
      product,
      weather,
      lost: end ? end.kind !== 'finished' : false,
      mixed_kg,
      area_m2: window ? window.batch.area_m2 : null,
      cost_minor: mixed_kg !== null && bag ? (mixed_kg / bag.mass_kg) * bag.price_minor : null,
    });
  });

  const notes = standing(events).flatMap((event) => {
    const { id, kind, batch, payload, person } = event;
    if (kind !== 'note' || !payload.text) return [];
    const said = joined(say(speaker, 'mix.batchOf', { number: batch }), data.person[person]?.name, whose);
    return [of({ kind, id, at: new Date(correctedAt(event)), title: payload.text, said })];
  });

  return [
    of({
      kind: 'job',
      id: job.id,
      title: job.name,
      said: joined(job.customer, job.address, job.place?.name, job.accessNote, ...new Set(findings.map(({ title, said }) => joined(title, said)))).slice(
        0,
        MOST,
      ),
      place: findings[0]?.place ?? null,
      product: findings[0]?.product ?? null,
      weather: poured[0]?.weather ?? null,
    }),
    ...findings,
    ...ofBatches.filter(({ id }) => id !== ''),
    ...notes,
  ];
}

/** A job of a hundred findings is found by its first ones, and each of them by itself. */
const MOST = 4000;
