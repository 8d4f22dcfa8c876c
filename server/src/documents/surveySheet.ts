import { readingsOf } from '@tufa/contract/assemble';
import type { FirmData, RowOf } from '@tufa/contract/entities';
import { cautionsOn, type Plan, type PlanInput, type Survey } from '@tufa/core/plan';
import { legendScene, planScene } from '@tufa/draw';
import { printFigure, say, sayCoded, sayReason, type Speaker } from '@tufa/words';
import { sayDate } from '@tufa/words/dates';
import { findingText, isTest, planFinding, planKind, planReadings, planShape, planTaps, testText, volumeText } from '@tufa/words/survey';
import type { Content, TableCell, TDocumentDefinitions } from 'pdfmake/interfaces';
import { drawing, paper } from './paper';
import { unsigned } from './scope';

/** A picture of the sheet, and what it shows. */
export interface SheetPhoto {
  readonly elementId: string | null;
  readonly findingId: string | null;
  /** data URL of a JPEG */
  readonly image: string;
  readonly takenAt: string;
}

/** What a survey sheet is made from, and for whom. */
export interface SurveySheetInput {
  readonly speaker: Speaker;
  readonly data: FirmData;
  readonly input: PlanInput;
  readonly survey: Survey;
  /** null where a stop or a problem lets nothing be planned */
  readonly plan: Plan | null;
  readonly photos: readonly SheetPhoto[];
  readonly at: Date;
}

/** The survey of a job as a document: of each element its plan, its verdict, its tables and its pictures; then the cautions. */
export function surveySheet(sheet: SurveySheetInput): TDocumentDefinitions {
  const { speaker, data, input, plan, at } = sheet;
  const job = data.job[input.job.id]!;
  const title = say(speaker, 'sheetDoc.title', { name: job.name });
  const elements = Object.values(data.element)
    .filter(({ jobId, removed }) => jobId === job.id && !removed)
    .sort((a, b) => (a.id < b.id ? -1 : 1));
  const cautions = plan ? cautionsOn('walk', { input, plan }) : [];
  return {
    info: { title },
    ...paper(input.firm.system),
    footer: (page, pages) => ({
      text: say(speaker, 'sheetDoc.foot', { name: job.name, page: String(page), pages: String(pages) }),
      style: 'small',
      margin: [42, 12, 42, 0],
    }),
    content: [
      { text: title, style: 'title' },
      { text: [job.customer, job.address].filter(Boolean).join(', ') },
      { text: say(speaker, 'sheetDoc.madeAt', { date: sayDate(speaker, at.getTime(), 'date', speaker.zone) }), style: 'small' },
      ...elements.flatMap((element, i) => elementPart({ sheet, element, pageBreak: i > 0 })),
      ...(cautions.length > 0
        ? [
            { text: say(speaker, 'caution.title'), style: 'h2' },
            ...unsigned(speaker),
            { ul: cautions.map(({ code }) => sayCoded(speaker, `caution.${code}`)) } as Content,
          ]
        : []),
      { text: say(speaker, 'sheetDoc.defers'), style: 'small', margin: [0, 12, 0, 0] },
    ],
  };
}

/** What only people read of an element. */
function elementFacts(speaker: Speaker, { properties: { material, texture, colour, age_y, earlier, neighbours, fall } }: RowOf<'element'>): string[] {
  return [
    ...(material ? [`${say(speaker, 'walk.material')}: ${say(speaker, `walk.materials.${material}`)}`] : []),
    ...(texture ? [`${say(speaker, 'walk.texture')}: ${say(speaker, `walk.textures.${texture}`)}`] : []),
    ...(colour ? [`${say(speaker, 'walk.colour')}: ${colour}`] : []),
    ...(typeof age_y === 'number' ? [`${say(speaker, 'walk.age')}: ${age_y}`] : []),
    ...(earlier && earlier !== 'none' ? [`${say(speaker, 'walk.earlier')}: ${say(speaker, `walk.earlierIs.${earlier}`)}`] : []),
    ...(fall ? [`${say(speaker, 'walk.fallSlope')}: ${Math.round(fall.slope * 1000) / 10}`] : []),
    ...(neighbours ? [`${say(speaker, 'walk.neighbours')}: ${neighbours}`] : []),
  ];
}

function elementPart({ sheet, element, pageBreak }: { sheet: SurveySheetInput; element: RowOf<'element'>; pageBreak: boolean }): Content[] {
  const { speaker, data, input, photos } = sheet;
  const survey = sheet.survey.elements.find(({ elementId }) => elementId === element.id)!;
  const findings = Object.values(data.finding)
    .filter((finding) => finding.elementId === element.id && !finding.removed)
    .sort((a, b) => (a.label < b.label ? -1 : 1));
  const readings = readingsOf(data, input.job.id);
  const us = speaker.system === 'us';
  const { thickness } = element.geometry;
  const plan = planScene({
    ...planShape(element),
    width: 510,
    height: 300,
    unit_m: us ? 0.3048 : 1,
    unit: us ? 'ft' : 'm',
    findings: findings.map((finding) => planFinding(speaker, finding)),
    taps: planTaps(readings, element.id),
    readings: planReadings(speaker, readings, element.id),
  });
  const kinds = [...new Set(findings.map(planKind))];
  const { verdict, volume, hollow, debris, waiting } = survey;
  const facts = [
    `${say(speaker, `word.kind.${element.kind}`)}, ${printFigure(speaker, 'area_m2', survey.area_m2)}, ${printFigure(speaker, 'thickness_m', thickness.value)}`,
    ...elementFacts(speaker, element),
    ...(volume
      ? [
          `${printFigure(speaker, 'a_m2', survey.bad_m2)} ${say(speaker, 'walk.bad')}, ${volumeText(speaker, volume).text} (${volumeText(speaker, volume).range})`,
        ]
      : []),
    ...(survey.length_m > 0 ? [say(speaker, 'walk.lines', { length_m: survey.length_m })] : []),
    ...(hollow ? [say(speaker, 'sheetDoc.hollow', { hollow_share: hollow.share, low_share: hollow.low, high_share: hollow.high, count: hollow.taps })] : []),
    ...(debris ? [say(speaker, 'walk.debris', { mass_kg: debris.mass_kg, count: debris.bags })] : []),
    ...readings
      .filter(({ elementId }) => elementId === element.id)
      .flatMap(({ kind, value }) => (isTest(kind) ? [`${say(speaker, `walk.test.${kind}`)}: ${testText(speaker, kind, value)}`] : [])),
  ];
  const ofElement = photos.filter(({ elementId, findingId }) => elementId === element.id || findings.some(({ id }) => id === findingId));
  return [
    { text: element.name, style: 'h2', ...(pageBreak ? { pageBreak: 'before' as const } : {}) },
    { text: facts.join('. ') },
    drawing(speaker, plan),
    ...(kinds.length > 0 ? [drawing(speaker, legendScene({ kinds, width: 510 }))] : []),
    { text: say(speaker, `verdict.${verdict.code}`), bold: true, margin: [0, 6, 0, 0], ...(verdict.code === 'stop' ? { style: 'stop' } : {}) },
    {
      ul: verdict.reasons.map((reason) => ({
        text: sayReason(speaker, reason),
        ...(reason.verdict === 'no' ? { style: 'stop' } : reason.verdict === 'caution' ? { style: 'caution' } : {}),
      })),
    },
    ...(survey.stops.length > 0 ? [{ text: say(speaker, 'verdict.ask'), bold: true } as Content] : []),
    ...(element.stops.opinion
      ? [
          {
            text: say(speaker, 'opinion.by', { role: sayCoded(speaker, `opinion.roles.${element.stops.opinion.role}`), day: element.stops.opinion.on }),
            bold: true,
          } as Content,
          { text: element.stops.opinion.said },
        ]
      : []),
    ...(findings.length > 0 ? [findingsTable(speaker, findings, sheet.survey)] : []),
    ...waiting.flatMap(({ phase, labels, volume: later, risks }): Content[] => [
      {
        text: say(speaker, 'walk.waits', { phase: say(speaker, `walk.phases.${phase}`), labels: labels.join(', '), v_m3: later.p50 }),
        bold: true,
        margin: [0, 6, 0, 0],
      },
      { ul: risks.map((risk) => sayReason(speaker, risk)) },
    ]),
    ...rowsOf(ofElement).map((three): Content => photoRow(three)),
  ];
}

/** As many pictures side by side as the page has room for. */
const ACROSS = 3;

const rowsOf = <T>(list: readonly T[]): T[][] => Array.from({ length: Math.ceil(list.length / ACROSS) }, (_, i) => list.slice(i * ACROSS, (i + 1) * ACROSS));

const photoRow = (photos: readonly SheetPhoto[]): Content => ({
  columns: photos.map(({ image, takenAt }) => ({
    stack: [
      { image, fit: [165, 150] as [number, number] },
      { text: takenAt.slice(0, 10), style: 'small' },
    ],
    width: 170,
  })),
  columnGap: 8,
  margin: [0, 8, 0, 0],
});

function findingsTable(speaker: Speaker, findings: readonly RowOf<'finding'>[], survey: Survey): Content {
  const head: TableCell[] = (['label', 'kind', 'size', 'volume', 'says', 'when'] as const).map((column) => ({
    text: say(speaker, `sheetDoc.column.${column}`),
    bold: true,
  }));
  const rows = findings.map((finding): TableCell[] => {
    const takeOff = survey.findings.find(({ findingId }) => findingId === finding.id)?.takeOff;
    const size = takeOff
      ? takeOff.length_m === null
        ? printFigure(speaker, 'area_m2', takeOff.area_m2)
        : printFigure(speaker, 'length_m', takeOff.length_m)
      : '';
    const volume = takeOff ? volumeText(speaker, takeOff.volume) : null;
    const note = finding.properties.note ?? '';
    return [
      finding.label,
      say(speaker, `walk.kinds.${planKind(finding)}`),
      size,
      volume ? `${volume.text} (${volume.range})` : '',
      [findingText(speaker, finding), note].filter((text, i, all) => text && all.indexOf(text) === i).join('. '),
      say(speaker, `walk.phases.${finding.properties.phase ?? 'now'}`),
    ];
  });
  return {
    table: { headerRows: 1, widths: ['auto', 'auto', 'auto', 'auto', '*', 'auto'], body: [head, ...rows] },
    layout: 'lightHorizontalLines',
    margin: [0, 8, 0, 0],
  };
}
