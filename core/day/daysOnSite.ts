import { inRange } from '../quantity';
import { DAY } from './constants';

/** One piece of work: how long it takes one person, how long after the piece before it in its own chain, and whether it leaves material that must set. */
export interface WorkTask {
  readonly person_s: number;
  readonly wait_s: number;
  readonly places: boolean;
}

/** What work comes to on site: hours of hands, days, trips. */
export interface OnSite {
  /** each hand's hours on site, waits that are sat out and setting up included, s */
  readonly hand_s: number;
  /** of them spent waiting, s */
  readonly waited_s: number;
  /** days on which somebody is there */
  readonly days: number;
  /** times the crew comes */
  readonly trips: number;
  /** from the first arrival to the last placing, s of the calendar; 0 where nothing is placed */
  readonly placed_s: number;
  /** from the first arrival until everything is done, s of the calendar */
  readonly end_s: number;
}

const CALENDAR_S = 86400;
const SLACK_S = 1e-6;

/**
 * One crew through several chains of work, each in its order with the waits between: whatever is ready is done first, a
 * short wait is sat out, for a long one they go and come back, work that outlasts the day goes on the next morning.
 *
 * @param waitsFor for each chain, which of those before it must be done before it begins
 * @param workday_s time on site in a day, set-up included, 1-16 h
 * @throws Problem `outOfRange`
 */
export function daysOnSite({
  chains,
  waitsFor = [],
  hands,
  workday_s = DAY.workday_s,
}: {
  chains: readonly (readonly WorkTask[])[];
  waitsFor?: readonly (readonly number[])[];
  hands: number;
  workday_s?: number;
}): OnSite {
  inRange({ quantity: 'hands', value: hands, least: 1, most: 50 });
  inRange({ quantity: 'workday_s', value: workday_s, least: 3600, most: 57600 });
  let now_s = DAY.setUp_s;
  let hand_s = DAY.setUp_s;
  let [waited_s, placed_s, trips, day, days] = [0, 0, 1, 0, 1];
  const comeAt = (at_s: number): void => {
    // Too late in the day to begin: the next morning.
    const from_s = Math.max(at_s, now_s);
    const on = Math.floor(from_s / CALENDAR_S + SLACK_S);
    const late = from_s - on * CALENDAR_S > workday_s - DAY.beginLeast_s;
    const next = late ? on + 1 : on;
    now_s = (late ? next * CALENDAR_S : from_s) + DAY.setUp_s;
    hand_s += DAY.setUp_s;
    trips += 1;
    if (next !== day) days += 1;
    day = next;
  };
  const left = chains
    .map((chain, i) => ({ chain, i, at: 0, ready_s: chain[0]?.wait_s ?? 0, blocked: (waitsFor[i] ?? []).filter((j) => j < i && (chains[j]?.length ?? 0) > 0) }))
    .filter(({ chain }) => chain.length > 0)
    .map((repair) => (repair.blocked.length > 0 ? { ...repair, ready_s: Infinity } : repair));
  const unblock = (done: number): void => {
    for (const repair of left.filter(({ blocked }) => blocked.includes(done))) {
      repair.blocked = repair.blocked.filter((j) => j !== done);
      if (repair.blocked.length === 0) repair.ready_s = now_s + repair.chain[0]!.wait_s;
    }
  };
  while (left.length > 0) {
    const upNext = left.find(({ ready_s }) => ready_s <= now_s + SLACK_S) ?? left.reduce((least, other) => (other.ready_s < least.ready_s ? other : least));
    const wait_s = upNext.ready_s - now_s;
    if (wait_s > SLACK_S) {
      if (wait_s <= DAY.waitMost_s && upNext.ready_s < day * CALENDAR_S + workday_s) {
        now_s += wait_s;
        hand_s += wait_s;
        waited_s += wait_s;
      } else comeAt(upNext.ready_s);
    }
    const task = upNext.chain[upNext.at]!;
    let work_s = task.person_s / hands;
    while (work_s > SLACK_S) {
      const room_s = day * CALENDAR_S + workday_s - now_s;
      if (room_s <= SLACK_S) {
        comeAt((day + 1) * CALENDAR_S);
        continue;
      }
      const part_s = Math.min(room_s, work_s);
      now_s += part_s;
      hand_s += part_s;
      work_s -= part_s;
    }
    if (task.places) placed_s = now_s;
    upNext.at += 1;
    const next = upNext.chain[upNext.at];
    if (next) upNext.ready_s = now_s + next.wait_s;
    else {
      left.splice(left.indexOf(upNext), 1);
      unblock(upNext.i);
    }
  }
  return { hand_s, waited_s, days, trips, placed_s, end_s: now_s };
}
