import type { FindingFields, ReadingFields, RowOf } from '@tufa/contract/entities';
import { readingsOf } from '@tufa/contract/assemble';
import type { ReadingRow } from '@tufa/contract/surveyFile';
import { planScene } from '@tufa/draw';
import { say, sayCoded } from '@tufa/words';
import { planFinding, planReadings, planShape, planTaps } from '@tufa/words/survey';
import { useState } from 'react';
import { View } from 'react-native';
import { v7 as uuid } from 'uuid';
import { change, write, type Change } from '../outbox/useFirm';
import { Button } from '../parts/ui/Button';
import { PickFile } from '../parts/ui/PickFile';
import { saveFile } from '../parts/phone/saveFile';
import { saveSvg } from '../parts/phone/saveSvg';
import { StepLayout } from '../parts/job/StepScreen';
import { useOnline } from '../parts/chrome/SyncLine';
import { Answer, T } from '../parts/ui/T';
import type { JobView } from '../parts/job/useJob';
import type { Speaker } from '@tufa/words/speak';
import { useSpeaker } from '../parts/phone/speaker';
import { loadChecks } from '../parts/phone/checks';
import { loadCsv } from '../parts/phone/csv';
import { spokenNow } from '../parts/phone/language';

/** What a file would bring, shown before anything is written. */
interface Preview {
  readonly changes: readonly Change[];
  readonly lines: readonly string[];
  readonly faults: readonly string[];
}

/** As many commands as are written at once; the outbox sends a hundred at a time. */
const AT_ONCE = 500;
/** More rows with something wrong than this are counted, not listed. */
const FAULTS_SHOWN = 12;

/** The survey out and in: sheet, plan, readings, everything. */
export function SurveyFiles({ view, element, onDone }: { view: JobView; element: RowOf<'element'>; onDone: () => void }) {
  const speaker = useSpeaker();
  const online = useOnline();
  const [preview, setPreview] = useState<Preview | null>(null);
  const { data, job } = view;
  const readings = readingsOf(data, job.id);
  const findings = Object.values(data.finding).filter((finding) => finding.elementId === element.id && !finding.removed);
  const drawn = {
    ...planShape(element),
    findings: findings.map((finding) => planFinding(speaker, finding)),
    taps: planTaps(readings, element.id),
    readings: planReadings(speaker, readings, element.id),
  };
  const us = speaker.system === 'us';
  const svg = (): void =>
    saveSvg(
      speaker,
      planScene({
        ...drawn,
        width: 1000,
        height: 700,
        unit_m: us ? 0.3048 : 1,
        unit: us ? 'ft' : 'm',
      }),
      element.name,
    );
  const dxf = async (): Promise<void> => {
    const { toDxf } = await import('@tufa/draw/toDxf');
    saveFile({ name: `${element.name}.dxf`, type: 'image/vnd.dxf', text: toDxf(drawn) });
  };
  const csv = async (): Promise<void> => {
    const [{ READING_COLUMNS, readingRows }, { unparse }] = await Promise.all([loadChecks(), loadCsv()]);
    saveFile({ name: `${job.name}.csv`, type: 'text/csv', text: unparse(readingRows(data, job.id), { columns: [...READING_COLUMNS] }) });
  };
  const json = async (): Promise<void> => {
    const { surveyFileOf } = await loadChecks();
    saveFile({ name: `${job.name}.json`, type: 'application/json', text: JSON.stringify(surveyFileOf(data, job.id), null, 2) });
  };
  const take = async (picked: File): Promise<void> => {
    const text = await picked.text();
    setPreview(/\.json$/i.test(picked.name) ? await previewOfSurvey(speaker, view, text) : await previewOfReadings(speaker, view, text));
  };
  const bring = async (): Promise<void> => {
    const changes = preview?.changes ?? [];
    for (let i = 0; i < changes.length; i += AT_ONCE) await write(...changes.slice(i, i + AT_ONCE));
    setPreview(null);
    onDone();
  };
  return (
    <StepLayout
      step="walk"
      view={view}
      parts={{
        head: <Answer size="number">{say(speaker, 'files.title')}</Answer>,
        body: (
          <View className="gap-3">
            <Button
              label={say(speaker, 'files.pdf')}
              disabled={!online}
              onPress={() => void window.open(`/api/v1/jobs/${job.id}/survey.pdf?language=${spokenNow()}`, '_blank', 'noopener')}
            />
            {online ? null : <T as="faint">{say(speaker, 'files.pdfOffline')}</T>}
            <View className="flex-row gap-3">
              <Button label={say(speaker, 'files.svg')} grow onPress={svg} />
              <Button label={say(speaker, 'files.dxf')} grow onPress={() => void dxf()} />
            </View>
            <View className="flex-row gap-3">
              <Button label={say(speaker, 'files.csv')} grow onPress={() => void csv()} />
              <Button label={say(speaker, 'files.json')} grow onPress={() => void json()} />
            </View>
            <PickFile
              label={say(speaker, 'files.bring')}
              accept=".csv,.json,text/csv,application/json"
              testID="survey-file"
              onPick={(picked) => void take(picked)}
            />
            {preview ? (
              <View className="gap-2" aria-live="polite">
                {preview.lines.map((line) => (
                  <T key={line} as="strong">
                    {line}
                  </T>
                ))}
                {preview.faults.slice(0, FAULTS_SHOWN).map((fault) => (
                  <T key={fault} tone="stop">
                    {fault}
                  </T>
                ))}
                {preview.faults.length > FAULTS_SHOWN ? (
                  <T tone="stop">{say(speaker, 'files.moreFaults', { count: preview.faults.length - FAULTS_SHOWN })}</T>
                ) : null}
                {preview.changes.length > 0 && preview.faults.length === 0 ? (
                  <Button writes="finding.add" label={say(speaker, 'files.write')} tone="act" onPress={() => void bring()} />
                ) : null}
              </View>
            ) : null}
          </View>
        ),
        foot: <Button label={say(speaker, 'walk.done')} onPress={onDone} />,
      }}
    />
  );
}

const sayFault = (speaker: Speaker, code: string, figures: Readonly<Record<string, unknown>>, field: string): string =>
  sayCoded(speaker, `problem.${code}`, { ...figures, field });

async function previewOfReadings(speaker: Speaker, { data, job }: JobView, text: string): Promise<Preview> {
  const [{ readingsFromRows }, { parse }] = await Promise.all([loadChecks(), loadCsv()]);
  const { data: rows } = parse<ReadingRow>(text, { header: true, skipEmptyLines: true });
  const { readings, faults } = readingsFromRows(rows, data, job.id);
  return {
    changes: readings.map((reading) => change('reading', 'add', uuid(), reading)),
    lines: [say(speaker, 'files.readings', { count: readings.length })],
    faults: faults.map(({ row, field, code, figures }) =>
      say(speaker, 'files.rowFault', { row: String(row), field, what: sayFault(speaker, code, figures, field) }),
    ),
  };
}

/** Everything of a survey file under ids of its own, so that it may come into the job it went out of. */
async function previewOfSurvey(speaker: Speaker, { job }: JobView, text: string): Promise<Preview> {
  const { readSurveyFile } = await loadChecks();
  const { file, fault } = readSurveyFile(text);
  if (!file) return { changes: [], lines: [], faults: [sayFault(speaker, fault.code, fault.figures, fault.field)] };
  const ids = new Map([...file.elements, ...file.findings].map(({ id }) => [id, uuid()]));
  const anew = (id: string | null): string | null => (id === null ? null : (ids.get(id) ?? null));
  const changes = [
    ...file.elements.map(({ id, ...fields }) => change('element', 'add', anew(id)!, { ...fields, jobId: job.id })),
    ...file.findings.map(({ id, ...fields }) =>
      change('finding', 'add', anew(id)!, { ...fields, jobId: job.id, elementId: anew(fields.elementId) } as Partial<FindingFields>),
    ),
    ...file.readings.map(({ id: _id, ...fields }) =>
      change('reading', 'add', uuid(), { ...fields, jobId: job.id, elementId: anew(fields.elementId), findingId: anew(fields.findingId) } as ReadingFields),
    ),
  ];
  return {
    changes,
    lines: [
      say(speaker, 'files.elements', { count: file.elements.length }),
      say(speaker, 'files.findings', { count: file.findings.length }),
      say(speaker, 'files.readings', { count: file.readings.length }),
    ],
    faults: [],
  };
}
