import { computePlan, DEFAULT_FIRM, type PlanInput } from '@tufa/core/plan';
import { planInput } from './index';
import { check } from './validate';
import { job } from './test/samples';
import { upgradePlan } from './upgradePlan';

const now = job() as PlanInput;
const strip = ({ substrates: _s, movement: _m, intervals: _i, textures: _t, storage: _g, ...sheet }: PlanInput['sheets'][number]) => sheet;

test('a plan of this release stays what it is', () => {
  expect(upgradePlan(now)).toEqual(now);
  expect(computePlan(upgradePlan(now))).toEqual(computePlan(now));
});

test('a plan from before sheets told what they hold on is read by what stands in for them, marked assumed, and plans', () => {
  const { acceptedChance: _c, ...firm } = now.firm;
  const old = { ...now, firm, sheets: now.sheets.map(strip) } as never;
  const read = upgradePlan(old);
  expect(read.firm.acceptedChance).toBe(DEFAULT_FIRM.acceptedChance);
  for (const sheet of read.sheets) expect(sheet.assumed).toEqual(expect.arrayContaining(['substrates', 'storage']));
  expect(check(planInput, JSON.parse(JSON.stringify(read))).fault).toBeNull();
  expect(computePlan(read).findings).toHaveLength(now.findings.length);
});

test('what it was made from otherwise stands: elements, findings, choices and conditions are not touched', () => {
  const { elements, findings, treatments, conditions, job } = upgradePlan(now);
  expect({ elements, findings, treatments, conditions, job }).toEqual({
    elements: now.elements,
    findings: now.findings,
    treatments: now.treatments,
    conditions: now.conditions,
    job: now.job,
  });
});
