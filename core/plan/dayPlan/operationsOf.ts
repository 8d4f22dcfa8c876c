import { DAY, type Lag, type Operation } from '../../day';
import { ratesOf } from '../input/PlanInput';
import { prepared } from '../input/crewFigures';
import type { PlanInput } from '../input/PlanInput';
import { knownSheet } from '../input/sheetOf';
import { PLAN } from '../constants';
import type { ChosenPlan, Plan } from '../Plan';
import type { Batch } from '../batches/Made';
import { followsOf } from '../after';
import { POWERED } from '../steps/toolsOf';
import { stepRow, type StepCode, type Tool, type Worked } from '../steps/STEPS';
import type { DayAsk, DayBar } from './DayPlan';

/** The day's operations with what each is, and the lags between them. */
export interface DayWork {
  readonly operations: readonly Operation[];
  readonly lags: readonly Lag[];
  readonly resources: Readonly<Record<string, number>>;
  readonly bars: ReadonlyMap<string, Omit<DayBar, 'start_s' | 'end_s' | 'why'>>;
  /** how long after its first water a batch opens what its element asks, s */
  readonly opens: ReadonlyMap<string, { readonly after_s: number; readonly findingId: string; readonly to: 'foot' | 'vehicles' }>;
  /** batches by visit: what waits for longer than a working day is another one's */
  readonly visits: readonly (readonly string[])[];
  readonly visit: number;
  /** how long a base soaks after it was damped, s, by operation */
  readonly soaks: ReadonlyMap<string, number>;
}

/** Work follows at these milestones; the others are told. */
const WORKED: Readonly<Partial<Record<string, StepCode>>> = {
  rub: 'step.rubFlush',
  grind: 'step.grindFlush',
  strip: 'step.form.strip',
  demould: 'step.demould',
  turn: 'step.turn',
};

const DAY_S = 86400;
/** A day is put together in minutes: what takes less fills one, so that what must follow at once can. */
export const MINUTE_S = 60;

/** What a layer's steps before its first material come to: dry work and wet, s of a person, with the tools that run on the mains. */
function preparing(worked: Worked, { steps }: ChosenPlan) {
  const sums = { remove: 0, damp: 0, stands_s: 0 };
  const tools = new Set<Tool>();
  for (const { code, figures, sheetId } of steps) {
    const row = stepRow(code);
    if (row.places) break;
    // Measuring is done at the pail, batch by batch.
    if (code.startsWith('step.measure') || code.startsWith('step.bond')) continue;
    const person_s = row.person_s(worked, figures, sheetId);
    sums[row.wets === null ? 'remove' : 'damp'] += person_s;
    if (row.wets !== null) sums.stands_s = Math.max(sums.stands_s, row.stands_s);
    else if (person_s > 0) for (const tool of row.tools) if (POWERED.has(tool)) tools.add(tool);
  }
  return { ...sums, tools };
}

/** How a batch keeps the hands: mixing, laying, finishing, s. What has no window of its own is brushed, rolled or gunned on. */
function paceOf({ window, shots, make, area_m2 }: Batch): { mix_s: number; lay_s: number; finish_s: number } {
  if (window) {
    const { mix_s, carry_s, place_s, finish_s } = window.basis.pace;
    const count = shots?.count ?? 1;
    // Shot after shot from the same bottle: each is mixed and squeezed.
    return { mix_s: mix_s + carry_s, lay_s: place_s * count + (mix_s + carry_s) * (count - 1), finish_s };
  }
  const lay_s = (area_m2 ?? 0) / (make === 'slurry' ? DAY.workRates.slurry : DAY.brush_m2_s);
  return { mix_s: make === 'ready' ? 0 : DAY.batch_s, lay_s, finish_s: 0 };
}

/** Batches by the visit they belong to, in order: what waits for longer than a working day is not sat out. */
export function visitsOf(plan: Plan, workday_s: number): string[][] {
  const at = new Map<string, { visit: number; since_s: number }>();
  for (const { number, waits } of plan.batches) {
    let [visit, since_s] = [0, 0];
    for (const { on, least_s } of waits) {
      // What is waited for stands before it in the list.
      const before = at.get(on)!;
      const waited = before.since_s + least_s;
      const next = waited > workday_s ? { visit: before.visit + 1, since_s: 0 } : { visit: before.visit, since_s: waited };
      if (next.visit > visit) [visit, since_s] = [next.visit, next.since_s];
      else if (next.visit === visit) since_s = Math.max(since_s, next.since_s);
    }
    at.set(number, { visit, since_s });
  }
  const count = 1 + Math.max(0, ...[...at.values()].map(({ visit }) => visit));
  return Array.from({ length: count }, (_, visit) => plan.batches.flatMap(({ number }) => (at.get(number)!.visit === visit ? [number] : [])));
}

/** The visit with the most to mix is the one that is looked at first. */
export const busiest = ({ batches }: Plan, visits: readonly (readonly string[])[]): number => {
  const mixed = visits.map((numbers) => batches.filter(({ number, window }) => window && numbers.includes(number)).length);
  return mixed.indexOf(Math.max(...mixed));
};

/** Everything that is done on a job as operations for a schedule: s from midnight, windows and pins by what is asked. */
export function operationsOf(given: PlanInput, whole: Plan, ask: DayAsk, arrive_s: number, count: number): DayWork {
  const visits = visitsOf(whole, ratesOf(given.firm).workday_s);
  const visit = Math.min(visits.length - 1, ask.visit ?? busiest(whole, visits));
  const plan = { ...whole, batches: whole.batches.filter(({ number }) => visits[visit]!.includes(number)) };
  // What an earlier visit has begun is prepared already.
  const begun = new Set(
    whole.batches
      .filter(({ number }) => visits.slice(0, visit).some((earlier) => earlier.includes(number)))
      .flatMap(({ serves }) => serves.map(({ findingId }) => findingId)),
  );
  const input = prepared(given);
  const { hands } = input.crew;
  const workday_s = ratesOf(input.firm).workday_s;
  const operations: Operation[] = [];
  const lags: Lag[] = [];
  const bars = new Map<string, Omit<DayBar, 'start_s' | 'end_s' | 'why'>>();
  const opens = new Map<string, { after_s: number; findingId: string; to: 'foot' | 'vehicles' }>();
  const soaks = new Map<string, number>();
  const tools = new Set<string>();
  const { fixed = [], pins = {} } = ask;
  // Set up in the morning counts with the first day; they come at the same hour on the others.
  const days = Array.from({ length: count }, (_, i) => [arrive_s + i * DAY_S, arrive_s + workday_s + i * DAY_S] as const);
  const add = (
    bar: Omit<DayBar, 'start_s' | 'end_s' | 'why'>,
    { duration_s, needs = {}, windows = days }: { duration_s: number; needs?: Record<string, number>; windows?: readonly (readonly [number, number])[] },
  ): void => {
    bars.set(bar.id, bar);
    const pin = pins[bar.id];
    operations.push({
      id: bar.id,
      duration_s: Math.max(MINUTE_S, Math.ceil(duration_s / MINUTE_S - 1e-9) * MINUTE_S),
      needs: { ...(bar.hands > 0 ? { hands: bar.hands } : {}), ...needs },
      windows,
      ...(pin === undefined ? {} : { fixed_s: pin }),
    });
  };
  const after = (from: string, to: string, least_s = 0, most_s: number | null = null): void =>
    void (
      bars.has(from) &&
      bars.has(to) &&
      lags.push({ from, to, least_s: Math.max(0, Math.ceil(least_s)), most_s: most_s === null ? null : Math.max(0, Math.floor(most_s)) })
    );

  const plain = { findings: [], role: null } as const;
  add({ id: 'arrive', code: 'arrive', hands, ...plain }, { duration_s: PLAN.arrive_s, windows: [[arrive_s, arrive_s + PLAN.arrive_s]] });
  for (const { id, name, start_s, duration_s, hands: kept } of fixed) {
    bars.set(id, { id, code: 'fixed', hands: kept, name, ...plain });
    operations.push({ id, duration_s, needs: kept > 0 ? { hands: kept } : {}, fixed_s: start_s });
  }

  const layers = plan.findings.flatMap(({ findingId, elementId, takeOff, chosen }) => {
    const finding = input.findings.find(({ id }) => id === findingId);
    const element = input.elements.find(({ id }) => id === elementId);
    if (!chosen || !finding || !element) return [];
    const of = (role: 'fill' | 'overlay', layer: ChosenPlan, taken: typeof takeOff) => ({
      role,
      layer,
      findingId,
      worked: {
        input,
        element,
        finding,
        takeOff: taken,
        sheet: knownSheet(input, layer.sheetId),
        batches: layer.batches.count,
      } satisfies Worked,
    });
    return [of('fill', chosen, takeOff), ...(chosen.overlay ? [of('overlay', chosen.overlay.chosen, chosen.overlay.takeOff)] : [])];
  });
  // With more places than hands each goes to another; with fewer they share one.
  const together = Math.max(1, Math.min(2, Math.floor(hands / Math.max(1, layers.filter(({ role }) => role === 'fill').length))));
  const batchesOf = (findingId: string, role: 'fill' | 'overlay'): Batch[] =>
    plan.batches.filter(({ serves }) => serves.some((served) => served.findingId === findingId && served.role === role));
  const before = new Map<string, string[]>();
  for (const { role, layer, findingId, worked } of layers) {
    if (begun.has(findingId) || !plan.batches.some(({ serves }) => serves.some((served) => served.findingId === findingId))) continue;
    const { remove, damp, stands_s, tools: wanted } = preparing(worked, layer);
    const ids: string[] = [];
    for (const [code, person_s] of [
      ['remove', remove],
      ['damp', damp],
    ] as const) {
      if (person_s < 1) continue;
      const id = `${code} ${findingId} ${role}`;
      const needs = code === 'remove' ? Object.fromEntries([...wanted].map((tool) => [tool, 1])) : {};
      for (const tool of Object.keys(needs)) tools.add(tool);
      add({ id, code, hands: together, findings: [findingId], role }, { duration_s: person_s / together, needs });
      after('arrive', id);
      for (const earlier of ids) after(earlier, id);
      ids.push(id);
      if (code === 'damp' && stands_s > 0) soaks.set(id, stands_s);
    }
    before.set(`${findingId} ${role}`, ids);
  }

  for (const batch of plan.batches) {
    const { number, serves, productId, follows } = batch;
    const { mix_s, lay_s, finish_s } = paceOf(batch);
    const findings = [...new Set(serves.map(({ findingId }) => findingId))];
    const bar = { batch: number, findings, role: serves[0]!.role };
    const good = productId ? ask.good?.[productId] : undefined;
    const opening = opensOf(plan, input, batch);
    if (opening) opens.set(number, opening);
    const latest_s = opening && ask.opensBy_s !== null ? ask.opensBy_s - opening.after_s + mix_s : Infinity;
    const windows = overlapping(days, good)
      .map(([from, to]) => [from, Math.min(to, latest_s)] as const)
      .filter(([from, to]) => to > from);
    const first = mix_s > 0 ? 'mix' : 'lay';
    // An empty list of windows would hold nothing back: one that nothing fits says that no hour does.
    const begin = windows.length > 0 ? windows : [[0, 0] as const];
    if (mix_s > 0) add({ id: `mix ${number}`, code: 'mix', hands: 1, ...bar }, { duration_s: mix_s, needs: { mixer: 1 }, windows: begin });
    const laying = follows ? Math.max(1, hands - 1) : hands;
    add(
      { id: `lay ${number}`, code: 'lay', hands: batch.shots || batch.make === 'ready' ? 1 : laying, ...bar },
      { duration_s: lay_s, ...(first === 'lay' ? { windows: begin } : {}), ...(finish_s > 0 ? { needs: { finisher: 1 } } : {}) },
    );
    const window = batch.window?.window;
    const slack_s = window ? Math.max(0, window.placeBy_s - window.placeNeeds_s) : null;
    after(`mix ${number}`, `lay ${number}`, 0, slack_s);
    if (finish_s > 0) {
      // With more hands than one whoever lays it works it in passing, as its window has it; alone the next has to wait.
      add({ id: `finish ${number}`, code: 'finish', hands: hands > 1 ? 0 : 1, ...bar }, { duration_s: finish_s, needs: { finisher: 1 } });
      after(`lay ${number}`, `finish ${number}`, 0, window ? Math.max(0, window.finishBy_s - window.finishNeeds_s) : null);
    }
    after('arrive', `${first} ${number}`);
    // What bonds goes on what is prepared for the fill, as soon as that is.
    for (const { findingId, role } of serves)
      for (const id of before.get(`${findingId} ${role === 'overlay' ? 'overlay' : 'fill'}`) ?? [])
        after(id, `${first} ${number}`, role === 'bond' ? 0 : (soaks.get(id) ?? 0));
    for (const { on, least_s, most_s } of batch.waits) after(`lay ${on}`, `lay ${number}`, least_s, most_s);
    for (const served of serves) {
      const earlier = plan.batches.find((other) => other.serves.some(({ id, nth }) => id === served.id && nth === served.nth - 1));
      if (!earlier || earlier.number === number) continue;
      const edge = earlier.window?.window.wetEdge;
      after(`lay ${earlier.number}`, `lay ${number}`, 0, edge?.asked ? Math.max(0, edge.by_s - (earlier.window?.window.placeNeeds_s ?? 0)) : null);
    }
  }

  for (const batch of plan.batches) {
    const { mix_s } = paceOf(batch);
    const from = mix_s > 0 ? 'mix' : 'lay';
    for (const { code, after_s } of followsOf(plan, given, batch)) {
      const step = WORKED[code];
      if (!step || after_s > workday_s) continue;
      // What it only begins is worked on after its last.
      for (const { findingId, role, part } of batch.serves) {
        if (part !== 'whole' && part !== 'rest') continue;
        const id = `${code} ${findingId} ${role}`;
        const known = layers.find((layer) => layer.findingId === findingId && layer.role === role);
        if (bars.has(id) || !known) continue;
        const done = known.layer.steps.find((each) => each.code === step);
        const person_s = done ? stepRow(step).person_s(known.worked, done.figures, done.sheetId) : 0;
        add({ id, code: 'follow', follow: code, hands: 1, findings: [findingId], role }, { duration_s: person_s });
        // Counted from first water, which is where its operation begins.
        after(`${from} ${batch.number}`, id, after_s - (from === 'mix' ? mix_s : paceOf(batch).lay_s));
        if (role === 'fill') {
          const over = batchesOf(findingId, 'overlay')[0];
          const next = over && (before.get(`${findingId} overlay`)?.[0] ?? `mix ${over.number}`);
          if (next) after(id, next);
        }
      }
    }
  }
  add({ id: 'clean', code: 'clean', hands, ...plain }, { duration_s: PLAN.clear_s });
  for (const { id, code } of bars.values()) if (id !== 'clean' && code !== 'fixed') after(id, 'clean');
  return {
    operations,
    lags,
    resources: { hands, mixer: 1, finisher: Math.min(hands, input.crew.finishers ?? hands), ...Object.fromEntries([...tools].map((tool) => [tool, 1])) },
    bars,
    opens,
    soaks,
    visits,
    visit,
  };
}

/** What of the working days lies in good hours; all of them where nothing is known. */
function overlapping(days: readonly (readonly [number, number])[], good: readonly (readonly [number, number])[] | undefined): (readonly [number, number])[] {
  if (!good) return [...days];
  return days.flatMap(([from, to]) => good.map(([a, b]) => [Math.max(from, a), Math.min(to, b)] as const)).filter(([from, to]) => to > from);
}

/** When a batch that ends its layer opens what its element asks. */
function opensOf(plan: Plan, input: PlanInput, batch: Batch): { after_s: number; findingId: string; to: 'foot' | 'vehicles' } | null {
  for (const { findingId, part, role } of batch.serves) {
    const finding = input.findings.find(({ id }) => id === findingId);
    const asked = input.elements.find(({ id }) => id === finding?.elementId)?.opens;
    if (!asked || (part !== 'whole' && part !== 'rest') || (role !== 'fill' && role !== 'overlay')) continue;
    if (role === 'fill' && plan.findings.find((each) => each.findingId === findingId)?.chosen?.overlay) continue;
    const reached = batch.milestones.find(({ name }) => name === asked.to);
    if (reached) return { after_s: reached.after_s, findingId, to: asked.to };
  }
  return null;
}
