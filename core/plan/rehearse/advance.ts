import { handsFactor, placingFactor } from '../../mix';
import { listedNumber } from '../../pour';
import { normals, spread } from '../../setting';
import { WEATHER } from '../../weather';
import type { Batch } from '../batches/Made';
import { PLAN } from '../constants';
import type { LostWhy, RehearsalSetup, RehearsalState, RehearsalTaps, RehearsedBatch, StartedBatch } from './Rehearsal';

/** How long it takes to stiffen a mix that is too wet, s. */
const PUT_RIGHT_S = 60;
/** A mix with too much water lives so much longer, and is too weak. */
const WET_LIFE = 1.15;
/** A layer that has not quite stiffened carries the next; one that has not by this share does not. */
const STIFF_ENOUGH = 0.9;
/** Whoever waits until it surely has is not idle. */
const SURELY = 1.1;
/** What is left by the tool before this share of its finish is not finished. */
const FINISHED_ENOUGH = 0.9;
/** Hands that stand for less are not idle, s. */
const IDLE_S = 60;

type Writable = { -readonly [K in keyof RehearsedBatch]: RehearsedBatch[K] };

/** A rehearsal before anything is begun. */
export const beginRehearsal = ({ hands }: RehearsalSetup): RehearsalState => ({ at_s: 0, hands, happened: [], batches: {}, idle: [] });

/** How a batch goes on this day: drawn by the day's seed and its place in the order of starts. */
function drawn(setup: RehearsalSetup, { number, startedAt_s, lived, batch: { make } }: StartedBatch, nth: number): Writable {
  const day = normals(spread(setup.seed));
  const [slow, shared] = [day(), day()];
  const draw = normals(spread(setup.seed + 101 * nth));
  const [life, rate, skin] = [draw(), draw(), draw()];
  const { luck } = setup;
  return {
    number,
    make,
    stage: 'mix',
    share: 0,
    startedAt_s,
    laidAt_s: null,
    doneAt_s: null,
    lost: null,
    wet: false,
    life: Math.exp(luck * (lived?.sdLn ?? 0) * Math.SQRT1_2 * (shared + life)),
    pace: Math.exp(luck * (PLAN.rateDaySd * slow + PLAN.rateBatchSd * rate)),
    skin: Math.exp(luck * WEATHER.skinSd * skin),
    spent: 0,
  };
}

/** Until when nothing can be begun for what was chosen when something broke, and what that brings back. */
export function keptUntil(broke: RehearsalTaps['broke']): number {
  return Math.max(
    0,
    ...broke.map(({ choice, at_s }) => {
      const wait_s =
        choice === 'fetch' ? PLAN.fetch_s : choice === 'shadeIt' ? PLAN.shadeIt_s : choice === 'cover' ? PLAN.coverIt_s : choice === 'pause' ? PLAN.call_s : 0;
      return wait_s > 0 ? at_s + wait_s : 0;
    }),
  );
}

/** What of a mishap is over, s from the beginning; null while it goes on. */
function overAt({ code, at_s }: RehearsalState['happened'][number], broke: RehearsalTaps['broke']): number | null {
  const answer = broke.find((each) => each.what === code && each.at_s >= at_s);
  if (code === 'call') return answer?.choice === 'after' ? answer.at_s : at_s + PLAN.call_s;
  if (code === 'sun') return answer?.choice === 'shadeIt' ? answer.at_s + PLAN.shadeIt_s : null;
  return answer?.choice === 'fetch' ? answer.at_s + PLAN.fetch_s : null;
}

/** Whether a batch that waits on others may go on what they have become. */
function readyFor(batch: Pick<Batch, 'waits'>, batches: Readonly<Record<string, RehearsedBatch>>, at_s: number, enough: number): 'soon' | 'ready' | 'late' {
  let answer: 'ready' | 'late' = 'ready';
  for (const { on, least_s, most_s } of batch.waits) {
    const before = Object.values(batches).filter(({ number, lost }) => listedNumber(number) === on && !lost);
    const last = before.at(-1);
    if (!last || last.laidAt_s === null) return 'soon';
    // What lives longer on this day stiffens later, in the same measure.
    if (at_s < last.laidAt_s + least_s * last.life * enough) return 'soon';
    if (most_s !== null && at_s > last.laidAt_s + most_s * last.life) answer = 'late';
  }
  return answer;
}

/** Whether something that is left could be begun now. */
export const mayBegin = (left: readonly Batch[], { batches, at_s }: Pick<RehearsalState, 'batches' | 'at_s'>): boolean =>
  left.some((batch) => readyFor(batch, batches, at_s + (batch.window?.basis.pace.mix_s ?? 0), SURELY) !== 'soon');

/**
 * A rehearsal goes on to a moment, second by second, by the same physics as the plan: lives are spent as its courses spend
 * them, hands work as fast as its rates, mixing keeps a hand from laying. What is tapped is only what the crew says: a
 * batch is in place when it is, and gone when it is gone.
 *
 * @param by_s from the beginning; nothing happens where that has passed already
 */
export function advance(setup: RehearsalSetup, before: RehearsalState, taps: RehearsalTaps, by_s: number): RehearsalState {
  // Whole seconds: however often it is asked, the same day goes the same way.
  const to_s = Math.floor(by_s);
  if (to_s <= before.at_s) return before;
  const batches: Record<string, Writable> = Object.fromEntries(Object.entries(before.batches).map(([number, batch]) => [number, { ...batch }]));
  const happened = [...before.happened];
  const idle = before.idle.map((stretch) => ({ ...stretch }));
  const order = [...taps.started].sort((a, b) => a.startedAt_s - b.startedAt_s);
  const clocked = order.filter(({ lived, startedAt_s }) => lived !== null && startedAt_s >= 0);
  const kept_s = keptUntil(taps.broke);
  let hands = before.hands;

  const lose = (batch: Writable, why: LostWhy, at_s: number): void => {
    if (!batch.lost) batch.lost = { why, at_s };
  };

  const dt = 1;
  for (let t = before.at_s; t < to_s; t += dt) {
    for (const started of order) {
      if (started.startedAt_s > t || batches[started.number]) continue;
      const fresh = drawn(setup, started, order.indexOf(started) + 1);
      batches[started.number] = fresh;
      // What has no clock of its own is on at once; what was done before it all began is done.
      if (!started.lived || started.ends.some(({ at_s }) => at_s <= 0))
        Object.assign(fresh, { stage: 'done', share: 1, laidAt_s: started.startedAt_s, doneAt_s: started.startedAt_s });
    }
    for (const mishap of setup.mishaps) {
      const at = clocked[mishap.nth - 1];
      if (!at || at.startedAt_s + mishap.after_s > t || happened.some(({ code }) => code === mishap.code)) continue;
      happened.push({ code: mishap.code, at_s: t, number: at.number });
      if (mishap.code === 'wetter') {
        const wet = batches[at.number]!;
        wet.wet = true;
        wet.life *= WET_LIFE;
      }
    }
    const going = (code: (typeof happened)[number]['code']): boolean =>
      happened.some((each) => {
        const over = each.code === code ? overAt(each, taps.broke) : 0;
        return each.code === code && (over === null || t < over);
      });
    hands = Math.max(0, setup.hands - (going('fewer') ? 1 : 0) - (going('call') ? 1 : 0));
    const sun_K = going('sun') ? setup.sun_K : 0;
    const slowVessel = going('vessel');

    // Whoever starts a batch wants it mixed: that hand lays nothing meanwhile.
    const mixed = order.find(
      ({ number, lived, ends }) => lived && batches[number]?.stage === 'mix' && !batches[number].lost && !ends.some(({ at_s }) => at_s <= t),
    );
    const free = Math.max(0, hands - (mixed ? 1 : 0));
    let [laying, finishing] = [false, false];
    for (const started of order) {
      const batch = batches[started.number];
      if (!batch || !started.lived) continue;
      const { lived } = started;
      if (batch.stage === 'done') {
        // Its edge goes on living until the next batch touches it.
        const age = t - batch.startedAt_s;
        if (started.touchedBy !== null && !batch.lost) batch.spent += Math.max(0, lived.spentAt(age + dt, sun_K) - lived.spentAt(age, sun_K));
        continue;
      }
      const end = started.ends.find(({ at_s }) => at_s <= t);
      if (end) {
        // Whoever ends it early leaves it as it is.
        if (end.kind === 'wentHard') lose(batch, 'gaveUp', t);
        else if (end.kind === 'thrown') lose(batch, 'thrown', t);
        else if (batch.stage !== 'finish' || batch.share < FINISHED_ENOUGH) lose(batch, 'unfinished', t);
        else if (batch.wet) lose(batch, 'tooWet', t);
        Object.assign(batch, { stage: 'done', share: 1, laidAt_s: batch.laidAt_s ?? t, doneAt_s: t });
        continue;
      }
      const age = t - batch.startedAt_s;
      batch.spent += Math.max(0, lived.spentAt(age + dt, sun_K) - lived.spentAt(age, sun_K));
      if (batch.lost) continue;
      const inPail = batch.laidAt_s === null;
      if (batch.spent > (inPail ? 1 : lived.ratio) * batch.life) lose(batch, inPail ? 'hardInPail' : 'stiff', t + dt);
      else if (batch.laidAt_s !== null && age - lived.first_s > lived.skin_s * batch.skin) lose(batch, 'skinned', t + dt);
      if (batch.lost) continue;
      if (batch.wet && started.foundWrong_s !== null && started.foundWrong_s <= t && batch.stage !== 'finish') {
        batch.wet = false;
        batch.life /= WET_LIFE;
        // More powder goes in before any more of it is laid.
        if (batch.stage === 'mix') batch.share = Math.max(0, batch.share - PUT_RIGHT_S / lived.first_s);
      }
      if (batch.stage === 'mix') {
        if (started !== mixed || hands < 1) continue;
        const twice = slowVessel && !started.smallerVessel ? 2 : 1;
        batch.share += dt / (lived.first_s * twice);
        if (batch.share >= 1 - 1e-9) Object.assign(batch, { stage: 'lay', share: 0 });
      } else if (batch.stage === 'lay') {
        if (laying || finishing || free < 1) continue;
        laying = true;
        if (batch.share === 0) {
          const ready = readyFor(started.batch, batches, t, STIFF_ENOUGH);
          if (ready !== 'ready') lose(batch, ready === 'soon' ? 'tooSoon' : 'tooLate', t);
          for (const other of order) {
            const edge = batches[other.number];
            if (other.touchedBy === listedNumber(started.number) && edge && !edge.lost && edge.spent > edge.life) lose(edge, 'coldJoint', t);
          }
        }
        const alone = started.batch.shots !== null || started.batch.make === 'ready';
        const speed = alone ? 1 : handsFactor(free) / placingFactor(started.hands, started.batch.follows);
        batch.share += (dt * speed) / Math.max(1, lived.place_s * batch.pace);
        if (batch.share >= 1 - 1e-9) Object.assign(batch, { stage: 'finish', share: 0, laidAt_s: t + dt });
      } else {
        // With more hands than one it is worked in passing; alone nothing else goes on.
        if (hands < 2) {
          if (free < 1 || laying || finishing) continue;
          finishing = true;
        }
        if (hands > 0) batch.share += dt / Math.max(1, lived.finish_s * batch.pace);
        if (batch.share >= 1 - 1e-9) {
          if (batch.wet) lose(batch, 'tooWet', t + dt);
          Object.assign(batch, { stage: 'done', share: 1, doneAt_s: t + dt });
          continue;
        }
      }
    }
    const works = Object.values(batches).some(({ stage, lost }) => !lost && (stage === 'mix' || stage === 'lay' || (stage === 'finish' && hands < 2)));
    if (order.length > 0 && !works && hands > 0 && t >= kept_s && mayBegin(taps.left, { batches, at_s: t })) {
      const last = idle.at(-1);
      if (last && last.to_s >= t - 1e-9) last.to_s = t + dt;
      else idle.push({ from_s: t, to_s: t + dt });
    }
  }
  return { at_s: to_s, hands, happened, batches, idle };
}

/** How long hands stood although something could have been begun, s; a breath between two batches is none. */
export const wastedOf = ({ idle }: Pick<RehearsalState, 'idle'>): number =>
  idle.reduce((sum, { from_s, to_s }) => sum + Math.max(0, to_s - from_s - IDLE_S), 0);
