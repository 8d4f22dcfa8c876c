import { CREW_FIGURES } from '@tufa/core/setting';
import { recordEntryOf, type Conditions, type PlanInput, type TreatmentInput } from '@tufa/core/plan';
import { assumed, type Measured } from '@tufa/core/quantity';
import type { ElementInput } from '@tufa/core/survey';
import type { Aid, Sheet } from '@tufa/core/shelf';

import type { FirmData, FirmFields, ReadingFields, Row, RowOf, TreatmentFields } from './entities';
import { siteOf } from './siteOf';
import { findingInputOf, marksOf } from './findingInputOf';
import { isMaterial, upgradeSheet } from './upgradeSheet';

const present = <R extends Row>(table: Readonly<Record<string, R>>): R[] => Object.values(table).filter(({ removed }) => !removed);

const byId = (a: Row, b: Row): number => (a.id < b.id ? -1 : 1);

/** What is assumed where nobody read it: a mild day, the reference of most sheets. */
export const ASSUMED: Record<'air_C' | 'slab_C' | 'powder_C' | 'water_C' | 'humidity' | 'wind_ms', number> = {
  air_C: 21,
  slab_C: 21,
  powder_C: 21,
  water_C: 15,
  humidity: 0.5,
  wind_ms: 1.5,
};

/** What "don't know" stands for where a survey cannot go on without a figure: wide, so that every range says what it costs. */
export const UNKNOWN: Record<'deepest' | 'thickness' | 'crackDepth' | 'crackWidth', Measured> = {
  deepest: { value: 0.025, source: 'assumed', spread: 1 },
  thickness: { value: 0.1, source: 'assumed', spread: 0.5 },
  crackDepth: { value: 0.05, source: 'assumed', spread: 1 },
  crackWidth: { value: 0.002, source: 'assumed', spread: 1 },
};

/** What is read of the weather and the materials at the work. */
export type ConditionKind = keyof typeof ASSUMED;

/** A firm's settings as a plan knows them: what no plan is made from stays out, or each change of it would make every plan stale. */
function plannedBy(settings: FirmFields['settings']): PlanInput['firm'] {
  const { newJob, hours, tax, letterhead, ...planned } = settings;
  return newJob || hours || tax || letterhead ? planned : settings;
}

/** The job's own readings that stand, newest last. */
export function readingsOf(data: Pick<FirmData, 'reading'>, jobId: string): (ReadingFields & Row)[] {
  const ofJob = present(data.reading).filter((reading) => reading.jobId === jobId);
  const removed = new Set(ofJob.filter(({ kind }) => kind === 'removal').map(({ subject }) => subject));
  return ofJob
    .filter(({ id, kind }) => kind !== 'removal' && !removed.has(id))
    .sort((a, b) => (a.takenAt < b.takenAt ? -1 : a.takenAt > b.takenAt ? 1 : byId(a, b)));
}

/** Rain that was told, and not told to have passed. */
function rainOf(readings: readonly ReadingFields[]): Pick<Conditions, 'rain_s'> {
  const rain = readings.filter(({ kind }) => kind === 'rain_s').at(-1)?.value.value ?? 0;
  return rain > 0 ? { rain_s: rain } : {};
}

/** The newest reading of each kind, or what is assumed. */
function conditionsOf(readings: readonly ReadingFields[]): Conditions {
  const latest = (kind: ConditionKind): Measured => {
    const reading = readings.filter((reading) => reading.kind === kind).at(-1);
    return reading ? { ...reading.value, at: reading.takenAt } : assumed(ASSUMED[kind]);
  };
  return {
    air_C: latest('air_C'),
    slab_C: latest('slab_C'),
    powder_C: latest('powder_C'),
    water_C: latest('water_C'),
    humidity: latest('humidity'),
    wind_ms: latest('wind_ms'),
    sun: readings.filter(({ kind }) => kind === 'sun').at(-1)?.value.value === 1,
    ...rainOf(readings),
  };
}

/** The newest revision of every product on the shelf, by name: materials and what goes with them. */
export function wholeShelfOf(data: Pick<FirmData, 'sheet' | 'product'>): RowOf<'sheet'>[] {
  const newest = new Map<string, RowOf<'sheet'>>();
  for (const row of present(data.sheet)) {
    if (data.product[row.productId]?.removed) continue;
    const newer = newest.get(row.productId);
    // Two phones may write the same revision: the later of the two stands.
    if (!newer || row.revision > newer.revision || (row.revision === newer.revision && row.id > newer.id)) newest.set(row.productId, row);
  }
  return [...newest.values()].sort((a, b) => (a.sheet.name < b.sheet.name ? -1 : 1));
}

/** A row whose sheet is of a repair material. */
export type MaterialRow = Omit<RowOf<'sheet'>, 'sheet'> & { readonly sheet: Sheet };

const asMaterial = (row: RowOf<'sheet'> | undefined): MaterialRow[] => (row && isMaterial(row.sheet) ? [{ ...row, sheet: upgradeSheet(row.sheet) }] : []);

/** The repair materials of the shelf, newest revisions, by name. */
export const shelfOf = (data: Pick<FirmData, 'sheet' | 'product'>): MaterialRow[] => wholeShelfOf(data).flatMap(asMaterial);

/** What goes with the materials of the shelf, newest revisions, by name. */
export const aidsOf = (data: Pick<FirmData, 'sheet' | 'product'>): Aid[] => wholeShelfOf(data).flatMap(({ sheet }) => (isMaterial(sheet) ? [] : [sheet]));

/** An aid by its id, whichever revision it is. */
const aidOf = (data: Pick<FirmData, 'sheet'>, sheetId: string | null | undefined): Aid[] => {
  const sheet = sheetId ? data.sheet[sheetId]?.sheet : undefined;
  return sheet && !isMaterial(sheet) ? [sheet] : [];
};

/** A treatment as it is planned: its overlay and its aids out of the row's layers, bond and cure. */
export function treatmentOf(data: Pick<FirmData, 'sheet'>, { findingId, sheetId, layers, bond, cure }: TreatmentFields): TreatmentInput {
  const over = layers.find(({ code, sheetId: of }) => code === 'overlay' && of && asMaterial(data.sheet[of]).length > 0);
  const coat = layers.find(({ code }) => code === 'coat')?.sheetId ?? null;
  const aids = Object.fromEntries(Object.entries({ bond, cure, coat }).flatMap(([role, id]) => aidOf(data, id).map((aid) => [role, aid.id])));
  return {
    findingId,
    sheetId,
    ...(over?.sheetId ? { overlay: { sheetId: over.sheetId, thickness_m: over.thickness_m, over: over.over ?? 'patch' } } : {}),
    ...(Object.keys(aids).length > 0 ? { aids } : {}),
  };
}

/** The sheet of a material by its id, whichever revision it is; null where it is not here. */
export const materialOf = (data: Pick<FirmData, 'sheet'>, sheetId: string): Sheet | null => asMaterial(data.sheet[sheetId])[0]?.sheet ?? null;

/** What of a product lies on the shelf, part packs first. */
export const stockOf = (data: Pick<FirmData, 'stockLot'>, productId: string): RowOf<'stockLot'>[] =>
  present(data.stockLot)
    .filter((lot) => lot.productId === productId)
    .sort((a, b) => a.amount - b.amount || byId(a, b));

/** Where an element was tapped, and which taps rang hollow. */
function soundingsOf(readings: readonly ReadingFields[], elementId: string): Pick<ElementInput, 'soundings'> {
  const taps = readings.filter(({ kind, elementId: of, at }) => kind === 'sounding' && of === elementId && at);
  if (taps.length === 0) return {};
  return {
    soundings: { points: taps.map(({ at }) => at!), hollow: taps.flatMap(({ value }, i) => (value.value === 1 ? [i] : [])) },
  };
}

/** The worst of what an element's surface was found to be: a bond is as good as its weakest place. */
function surfaceOf(readings: readonly ReadingFields[], elementId: string): ElementInput['surface'] {
  const of = (kind: ReadingFields['kind']): number[] =>
    readings.filter((reading) => reading.kind === kind && reading.elementId === elementId).map(({ value }) => value.value);
  const [pulls, drops, moist, scratches] = [of('pull_Pa'), of('drop_s'), of('moisture'), of('scratch')];
  if (pulls.length + drops.length + moist.length + scratches.length === 0) return undefined;
  return {
    ...(pulls.length > 0 ? { pull_Pa: Math.min(...pulls) } : {}),
    ...(drops.length > 0 ? { drop_s: Math.max(...drops) } : {}),
    ...(moist.length > 0 ? { moisture: Math.max(...moist) } : {}),
    ...(scratches.length > 0 ? { scratch: Math.min(...scratches) } : {}),
  };
}

/** What the crew's entries say of the shelf's products and of its own pace and waste; nothing where nobody has taken any up. What is set aside says nothing. */
function recordIn(data: Pick<FirmData, 'crewEntry'>, shelf: readonly MaterialRow[]): Pick<PlanInput, 'record'> {
  const entries = present(data.crewEntry)
    .filter(({ aside }) => !aside)
    .sort(byId);
  if (entries.length === 0) return {};
  const ofSheets = [...new Map(shelf.map((row) => [row.id, row])).values()].sort((a, b) => (a.id < b.id ? -1 : 1));
  const lives = ofSheets.flatMap(({ id, productId }) => {
    const ofProduct = entries.filter((entry) => entry.kind === 'life' && entry.productId === productId);
    return ofProduct.length > 0 ? [{ sheetId: id, entries: ofProduct.map(recordEntryOf) }] : [];
  });
  const figures = Object.fromEntries(
    CREW_FIGURES.flatMap((kind) => {
      const found = entries.filter((entry) => entry.kind === kind);
      return found.length > 0 ? [[kind, found.map(({ value, censored }) => ({ value, ...(censored ? { censored } : {}) }))]] : [];
    }),
  );
  return lives.length === 0 && Object.keys(figures).length === 0 ? {} : { record: { lives, figures } };
}

/**
 * The job file of a job from the rows a phone or the server holds; both call this, so both plan the same.
 *
 * @returns null when the job or the firm is not there
 */
export function assemblePlanInput(data: FirmData, jobId: string): PlanInput | null {
  const job = data.job[jobId];
  const firm = present(data.firm)[0];
  if (!job || !firm) return null;
  const findings = present(data.finding)
    .filter((finding) => finding.jobId === jobId && data.element[finding.elementId]?.removed === false)
    .sort(byId);
  const treatments = present(data.treatment)
    .filter((treatment) => treatment.jobId === jobId && findings.some(({ id }) => id === treatment.findingId))
    .sort(byId);
  const systems = treatments.map((row) => treatmentOf(data, row));
  const chosen = systems.flatMap(({ sheetId, overlay }) => [...asMaterial(data.sheet[sheetId]), ...(overlay ? asMaterial(data.sheet[overlay.sheetId]) : [])]);
  const aids = new Map(systems.flatMap(({ aids: roles = {} }) => Object.values(roles).flatMap((id) => aidOf(data, id).map((aid) => [id, aid] as const))));
  const readings = readingsOf(data, jobId);
  const readOf = new Map<string | null, ReadingFields[]>();
  for (const reading of readings) {
    const ofFinding = readOf.get(reading.findingId);
    if (ofFinding) ofFinding.push(reading);
    else readOf.set(reading.findingId, [reading]);
  }
  const marks = findings.flatMap(marksOf);
  // A plan keeps the revision it was made from, so a chosen sheet stays beside the shelf's newest.
  const shelf = [...shelfOf(data), ...chosen];
  const sheets = new Map(shelf.map((row) => [row.id, row.sheet]));
  const stock = [...new Map(shelf.map((row) => [row.id, row])).values()].flatMap(({ id, productId }) =>
    stockOf(data, productId).map(({ amount, useBy }) => ({ sheetId: id, mass_kg: amount, ...(useBy ? { useBy } : {}) })),
  );
  return {
    v: 1,
    job: { id: job.id, name: job.name },
    firm: plannedBy(firm.settings),
    elements: present(data.element)
      .filter((element) => element.jobId === jobId)
      .sort(byId)
      .map(({ id, name, kind, geometry, properties, stops }) => {
        const { suspended, exposures, moisture, opens, earlier, causeGoesOn, sun, material, texture, colour, stand, water } = properties;
        const surface = surfaceOf(readings, id);
        const ofElement = marks.filter(({ elementId }) => elementId === id);
        return {
          id,
          name,
          kind,
          outline: geometry.outline,
          thickness: geometry.thickness,
          ...(suspended === undefined ? {} : { suspended }),
          exposures,
          ...(moisture ? { moisture } : {}),
          opens,
          stops,
          ...(material ? { material } : {}),
          ...(texture ? { texture } : {}),
          ...(colour ? { colour } : {}),
          ...(surface ? { surface } : {}),
          ...(earlier ? { earlier } : {}),
          ...(causeGoesOn ? { causeGoesOn } : {}),
          ...(sun ? { sun } : {}),
          ...(stand ? { stand } : {}),
          ...(water ? { water } : {}),
          ...(geometry.flight ? { flight: geometry.flight } : {}),
          ...(geometry.openings?.length ? { openings: geometry.openings } : {}),
          ...(ofElement.length > 0 ? { marks: ofElement.map(({ elementId: _element, ...mark }) => mark) } : {}),
          ...soundingsOf(readings, id),
        };
      }),
    findings: findings.flatMap((finding) => findingInputOf(finding, readOf.get(finding.id) ?? [], data.element[finding.elementId]?.geometry.openings)),
    sheets: [...sheets.values()].sort((a, b) => (a.id < b.id ? -1 : 1)),
    ...(aids.size > 0 ? { aids: [...aids.values()].sort((a, b) => (a.id < b.id ? -1 : 1)) } : {}),
    treatments: systems,
    conditions: conditionsOf(readings),
    crew: job.crew,
    batch: job.batch,
    ...siteOf(data, job),
    ...(stock.length > 0 ? { stock } : {}),
    ...(job.asSheet ? {} : recordIn(data, shelf)),
    ...(firm.settings.house || job.house ? { house: { ...firm.settings.house, ...job.house } } : {}),
  };
}
