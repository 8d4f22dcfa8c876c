import { resolve } from 'node:path';
import { assemblePlanInput } from '@tufa/contract/assemble';
import { mergeRows } from '@tufa/contract/applyCommand';
import { emptyFirmData, type FirmData } from '@tufa/contract/entities';
import { DEFAULT_FIRM, surveyOf } from '@tufa/core/plan';
import { PLAIN, type Speaker } from '@tufa/words';
import { renderPdf } from '../src/documents/renderPdf';
import { surveySheet } from '../src/documents/surveySheet';
import { readDemonstration } from '../src/services/demonstration';
import { DOCK } from './harness';

const at = new Date('2026-05-12T13:00:00Z');

/** The demonstration as a firm's phone holds it. */
function firmData(): FirmData {
  const firm = { id: 'f', version: 1, changed: 1, removed: false, name: 'Firm', settings: DEFAULT_FIRM };
  const all: Record<string, object[]> = { firm: [firm] };
  for (const { name, id, fields } of readDemonstration(resolve(__dirname, '../../demo'), at))
    (all[name] ??= []).push({ id, version: 1, changed: 1, removed: false, ...(JSON.parse(JSON.stringify(fields)) as object) });
  return mergeRows(emptyFirmData(), all as never);
}

const METRIC: Speaker = { ...PLAIN, system: 'metric', currency: 'EUR' };

test('two firms’ sheets made at the same moment are each in their own units', async () => {
  const data = firmData();
  const input = assemblePlanInput(data, DOCK)!;
  const sheet = (speaker: Speaker) => surveySheet({ speaker, data, input, survey: surveyOf(input), plan: null, photos: [], at });
  const made = [PLAIN, METRIC, PLAIN, METRIC].map(sheet);
  const told = made.map((definition) => JSON.stringify(definition.content).replaceAll('\u00a0', ' '));
  for (const [i, text] of told.entries()) {
    const [expected, other] = i % 2 === 0 ? [/\d sq ft/, /\d m²/] : [/\d m²/, /\d sq ft/];
    expect(text).toMatch(expected);
    expect(text).not.toMatch(other);
  }
  expect([told[2], told[3]]).toEqual([told[0], told[1]]);
  const files = await Promise.all(made.slice(0, 2).map(renderPdf));
  for (const file of files) expect(file.subarray(0, 5).toString()).toBe('%PDF-');
});
