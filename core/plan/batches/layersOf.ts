import type { LayerAsk, LayerWait, WaitReason } from '../../batches';
import { houseOf } from '../../choose';
import { MIX, slurry } from '../../mix';
import { ceilingOf } from '../../quantity';
import { bagOf, isReady, isResin } from '../../shelf';
import type { FindingInput, StepFace } from '../../survey';
import { TAKEOFF, type Point } from '../../takeoff';
import type { Context } from '../input/Context';
import type { PouredLayer } from '../input/PlanInput';
import { kindOf } from '../kinds';
import { stoneFor } from '../orders/mixOf';
import type { AidPlan, ChosenPlan } from '../Plan';
import { atSlab, readyToRub } from '../steps/atSlab';
import { filledTakeOff } from '../steps/filledTakeOff';
import { stepsWith, type RepairStep } from '../steps/RepairStep';
import { portionsOf } from '../systems/portionsOf';
import type { TicketLine } from '../window/ticket';
import { farOut, firstsOf, idOf, laidOf, lastsOf, type Laid } from './laidOf';
import type { Made } from './Made';

/** A layer that is mixed: its finding with its sheet, and what was made of it. */
export interface Mixed {
  readonly role: 'fill' | 'overlay';
  readonly context: Context;
  readonly chosen: ChosenPlan;
}

type Ask = LayerAsk<Made>;

/** Which step of a flight a finding is on, and which face of it. */
function onStep(finding: FindingInput): { step: number; face: StepFace | null } | null {
  if (finding.kind === 'step') return finding.from === undefined ? null : { step: finding.from, face: null };
  return (finding.kind === 'edge' || finding.kind === 'skim') && finding.onStep ? finding.onStep : null;
}

/** Where a finding lies, as its corners or its line; nothing for what has no place on the plan. */
function pointsOf(finding: FindingInput): readonly Point[] {
  if (finding.kind === 'crack' || finding.kind === 'groove') return finding.line;
  return 'outline' in finding ? finding.outline : [];
}

/** Less goes first: the element as it was walked, the lower step, the house's face of it, the far end, the layer, the finding. */
function orderOf(
  { context, role }: Mixed,
  place: { readonly step: number | null; readonly lift: number; readonly finding: number; readonly at?: readonly Point[] },
): number[] {
  const { input, element, finding } = context;
  const risersFirst = houseOf(input.house).stepOrder === 'risersFirst';
  const face = onStep(finding)?.face ?? null;
  const faceRank = face === null ? 0 : (face === 'riser') === risersFirst ? 0 : 1;
  return [
    input.elements.indexOf(element),
    place.step ?? 0,
    faceRank,
    role === 'fill' ? 0 : 1,
    -farOut(element, place.at?.length ? place.at : pointsOf(finding)),
    place.lift,
    place.finding,
  ];
}

const makeOf = ({ context: { sheet, finding, element } }: Mixed): Ask['make'] => {
  if (isReady(sheet)) return 'ready';
  if (isResin(sheet)) return 'parts';
  return kindOf(finding).work(finding, element) === 'handPortions' ? 'hand' : 'pail';
};

const wait = (on: string, reason: WaitReason, after: RepairStep['after']): LayerWait[] =>
  after ? [{ on, least_s: after.least_s, most_s: after.most_s, reason }] : [{ on, least_s: 0, most_s: null, reason }];

const NOTHING: Made = { lines: [], ticket: null, window: null, shots: null, slurry: null, area_m2: null, open: null, milestones: [] };

/** An agent, cure or coat: it comes ready, and its tin says how far it goes. */
function aidAsk({ context, role }: Mixed, aid: AidPlan, number: number, waits: readonly LayerWait[]): Ask {
  const { finding } = context;
  const { open } = aid;
  return {
    id: idOf(finding.id, aid.role),
    findingId: finding.id,
    role: aid.role,
    lift: 1,
    lifts: 1,
    step: onStep(finding)?.step ?? null,
    make: 'ready',
    productId: aid.aidId,
    amount: aid.amount.p50,
    task: null,
    pool: null,
    waits,
    order: orderOf({ context, role } as Mixed, { step: onStep(finding)?.step ?? null, lift: aid.role === 'bond' ? 0 : 99, finding: number }),
    dealt: (amount) => ({ each: amount, count: 1, last: amount, limit: null, fits: true }),
    made(amount) {
      const area_m2 = (aid.area_m2 * amount) / aid.amount.p50;
      return { ...NOTHING, lines: [{ code: 'brushOn', area_m2 }], area_m2, open };
    },
    busy_s: () => 0,
  };
}

/** Slurry under what is laid first on bare concrete, brushed on section by section just ahead of its mortar. */
function slurryAhead({ chosen, context }: Mixed, part: Laid, share: number): Pick<Ask, 'ahead'> {
  if (!chosen.slurry || part.lift > 1) return {};
  const { finding, takeOff } = context;
  const { liquid_m3, cement_kg, latex_kg, water_kg } = chosen.slurry;
  const whole_kg = cement_kg + latex_kg + water_kg;
  return {
    ahead: {
      id: idOf(finding.id, 'bond', part),
      findingId: finding.id,
      role: 'bond',
      lift: 1,
      lifts: 1,
      step: part.step ?? onStep(finding)?.step ?? null,
      ...(part.panel ? { panel: part.panel } : {}),
      make: 'slurry',
      productId: null,
      amount: whole_kg * share,
      task: 'brush',
      made(amount) {
        const of = amount / whole_kg;
        const section = { liquid_m3: liquid_m3 * of, ...slurry({ liquid_m3: liquid_m3 * of }) };
        const area_m2 = takeOff.area_m2 * of;
        const water_m3 = section.water_kg / MIX.water_kg_m3;
        return {
          ...NOTHING,
          slurry: section,
          area_m2,
          lines: [
            { code: 'water', volume_m3: water_m3, level_m3: water_m3 },
            { code: 'latex', volume_m3: section.liquid_m3 - water_m3, mass_kg: section.latex_kg, level_m3: section.liquid_m3 },
            { code: 'cement', mass_kg: section.cement_kg },
            { code: 'brushOn', area_m2 },
          ],
        };
      },
    },
  };
}

/** What gels is left alone, and goes in portion by portion. */
function byHand({ steps }: ChosenPlan, make: Ask['make'], volume_m3: number): TicketLine[] {
  if (make !== 'hand') return [];
  const gel = stepsWith(steps, 'step.gelWait').map(({ figures }): TicketLine => ({ code: 'gel', time_s: figures.gel_s }));
  return [...gel, { code: 'portions', count: Math.max(1, ceilingOf(volume_m3 / TAKEOFF.handPortion_m3)) }];
}

/** What one mixed layer asks of the bucket, with its agent before it and its cure and coat after it. */
function asksFor(mixed: Mixed, number: number): Ask[] {
  const { role, chosen } = mixed;
  const context = { ...mixed.context, takeOff: filledTakeOff(mixed.context) };
  const { finding, sheet } = context;
  const portions = portionsOf(context, chosen.quantities);
  const { quantities, batches } = chosen;
  const bag_kg = bagOf(sheet).mass_kg;
  const make = makeOf(mixed);
  const place = onStep(finding);
  const laid = laidOf(chosen, context);
  const whole = laid.reduce((sum, { part }) => sum + part, 0);
  const along = portions.shots !== null;
  const alone = make !== 'pail' || place?.face === 'riser' || laid.some(({ step }) => step !== null);
  const stone = stoneFor(context);
  const { task, waterRatio } = chosen.ticket;
  const pool = alone ? null : `${sheet.id} ${task} ${waterRatio} ${stone?.ratio ?? 0}`;
  const same = (a: number, b: number): boolean => Math.abs(a / b - 1) < 1e-9;
  const onBase = laid.filter(({ lift }) => lift === 1).reduce((sum, { part }) => sum + part, 0);
  const bond = chosen.aids.find((aid) => aid.role === 'bond' && aid.verdict !== 'no');
  const bonded: LayerWait[] = !chosen.slurry && bond && bond.amount.p50 > 0 ? wait(idOf(finding.id, 'bond'), 'bondOpen', bond.open) : [];
  const fills = laid.map((part, i): Ask => {
    const before = laid[i - 1]?.panel?.nth === part.panel?.nth ? laid[i - 1] : undefined;
    const waits = before ? wait(idOf(finding.id, role, before), before.step === part.step ? 'stiff' : 'strip', part.after ?? part.stripped) : bonded;
    return {
      id: idOf(finding.id, role, part),
      findingId: finding.id,
      role,
      lift: part.lift,
      lifts: part.lifts,
      step: part.step ?? place?.step ?? null,
      make,
      productId: sheet.id,
      amount: (quantities.powder.p50 * part.part) / whole,
      task: make === 'pail' || make === 'hand' ? task : null,
      pool,
      ...(part.panel ? { panel: part.panel, ends: true } : {}),
      waits,
      ...slurryAhead({ ...mixed, context }, part, part.part / onBase),
      order: orderOf(mixed, { step: part.step ?? place?.step ?? null, lift: part.lift, finding: number, at: part.centre }),
      dealt(amount) {
        const bags = amount / bag_kg;
        const dealt = laid.length === 1 && same(bags, quantities.bags.p50) ? batches : portions.dealt(bags);
        // Shot after shot is one batch: its number stands on every bottle of it.
        if (along || dealt.share === null) return { each: amount, count: 1, last: amount, limit: dealt.limit, fits: dealt.share !== null };
        return { each: dealt.share * bag_kg, count: dealt.count, last: (dealt.last ?? dealt.share) * bag_kg, limit: dealt.limit, fits: true };
      },
      made(amount, follows) {
        const share = along ? (batches.share ?? amount / bag_kg) : amount / bag_kg;
        const first = same(chosen.ticket.share, share) && (chosen.window.question.follows ?? false) === follows;
        const { ticket, window } = first ? chosen : portions.at(share, follows);
        const lines = [...ticket.lines, ...byHand(chosen, make, window.batch.volume_m3)];
        return { ...NOTHING, lines, ticket, window, shots: portions.shots, area_m2: window.batch.area_m2, milestones: window.milestones };
      },
      busy_s: ({ window }) => {
        if (!window) return 0;
        const { mix_s, carry_s, place_s } = window.basis.pace;
        return (mix_s + carry_s + place_s) * (portions.shots?.count ?? 1);
      },
    };
  });
  const tops = lastsOf(finding.id, role, laid);
  const overAll = (reason: WaitReason, after: RepairStep['after']): LayerWait[] => tops.flatMap((top) => wait(top, reason, after));
  const aids = chosen.aids.filter((aid) => aid.verdict !== 'no' && aid.amount.p50 > 0);
  const reached = (name: 'initial' | 'final'): number | undefined => chosen.readiness.find((milestone) => milestone.name === name)?.after_s;
  const set_s = reached('final') ?? reached('initial') ?? 0;
  const after = aids.flatMap((aid): Ask[] => {
    if (aid.role === 'bond') return chosen.slurry ? [] : [aidAsk({ ...mixed, context }, aid, number, [])];
    if (aid.role === 'cure') return [aidAsk({ ...mixed, context }, aid, number, overAll('afterSet', { least_s: set_s, most_s: null }))];
    const [coat] = stepsWith(chosen.steps, 'step.coat');
    return [aidAsk({ ...mixed, context }, aid, number, overAll('dryFace', coat?.after ?? { least_s: aid.waits_s, most_s: null }))];
  });
  return [...fills, ...after];
}

/** How long after a fill what lies over it may begin, s at its slab. */
function recoatAfter({ context, chosen }: Mixed): RepairStep['after'] {
  const { sheet } = context;
  const { slab_C } = chosen.window.question;
  return atSlab({ sheet, slab_C, Ea_J_mol: chosen.window.basis.course.Ea_J_mol }, sheet.intervals?.recoat ?? { least_s: readyToRub(sheet), most_s: null });
}

const lasts = ({ context, role, chosen }: Mixed): string[] => lastsOf(context.finding.id, role, laidOf(chosen, context));
const firsts = ({ context, role, chosen }: Mixed): string[] => firstsOf(context.finding.id, role, laidOf(chosen, context));

/** Waits between findings: an overlay for every fill under it, a face of a step for the other. */
function waitsBetween(mixed: readonly Mixed[]): Map<string, LayerWait[]> {
  const waits = new Map<string, LayerWait[]>();
  const add = (over: Mixed, under: Mixed, reason: WaitReason, after: RepairStep['after']): void => {
    const more = lasts(under).flatMap((id) => wait(id, reason, after));
    for (const id of firsts(over)) waits.set(id, [...(waits.get(id) ?? []), ...more]);
  };
  for (const over of mixed) {
    const { element, finding, over: covers, input } = over.context;
    if (over.role === 'overlay') {
      const under = mixed.filter(
        ({ role, context }) => role === 'fill' && (covers === 'element' ? context.element.id === element.id : context.finding.id === finding.id),
      );
      for (const fill of under) add(over, fill, 'recoat', recoatAfter(fill));
      continue;
    }
    const place = onStep(finding);
    // The forms go up the flight: what is rebuilt higher waits until they are off below.
    if (place && finding.kind === 'step')
      for (const below of mixed) {
        const there = onStep(below.context.finding);
        if (below.context.finding.kind !== 'step' || below.role !== 'fill' || below.context.element.id !== element.id || !there) continue;
        const strip = stepsWith(below.chosen.steps, 'step.form.strip').at(-1);
        if (there.step < place.step && strip) add(over, below, 'strip', strip.after);
      }
    if (!place?.face) continue;
    const risersFirst = houseOf(input.house).stepOrder === 'risersFirst';
    // The face that goes second waits until the first has set.
    if ((place.face === 'riser') === risersFirst) continue;
    for (const other of mixed) {
      const there = onStep(other.context.finding);
      if (other === over || other.role !== 'fill' || other.context.element.id !== element.id || there?.step !== place.step) continue;
      if ((there.face === 'riser') !== risersFirst) continue;
      const set_s = other.chosen.readiness.find(({ name }) => name === 'initial')?.after_s ?? 0;
      add(over, other, 'riserTread', { least_s: set_s, most_s: null });
    }
  }
  return waits;
}

/** A layer without what of it is in place. */
function left(ask: Ask, poured: readonly PouredLayer[]): Ask {
  const done = poured.find(({ layer }) => layer === ask.id);
  if (!done) return ask;
  const amount = ask.amount - done.amount;
  const rest = amount > ask.amount * 1e-6 ? amount : 0;
  const { ahead } = ask;
  return {
    ...ask,
    amount: rest,
    begun: { batches: done.batches, last: done.last },
    ...(ahead ? { ahead: { ...ahead, amount: (ahead.amount * rest) / ask.amount } } : {}),
  };
}

/** Everything that a job asks of the bucket; of what is poured already what is left. */
export function layersOf(mixed: readonly Mixed[], poured: readonly PouredLayer[] = []): Ask[] {
  const between = waitsBetween(mixed);
  return mixed.flatMap((layer, i) => asksFor(layer, i).map((ask) => left({ ...ask, waits: [...ask.waits, ...(between.get(ask.id) ?? [])] }, poured)));
}
