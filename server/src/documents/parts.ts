import { compareSystems, cautionsOn, sheetOf, suggestedSystems, computePlan, type CautionScreen, type ChosenPlan } from '@tufa/core/plan';
import { checksOf, usedOf } from '@tufa/core/pour';
import { printFigure, say, sayCoded, sayStep } from '@tufa/words';
import type { Content, TableCell } from 'pdfmake/interfaces';
import { pouredOf, type JobParts, type PouredPart } from './JobParts';
import { heading, table } from './table';

const WATER_KG_M3 = 1000;

/** What a finding is called on paper. */
function findingName({ speaker, data }: JobParts, findingId: string): string {
  const finding = data.finding[findingId];
  return finding ? `${sayCoded(speaker, `walk.kinds.${finding.kind}`)} ${finding.label}` : '';
}

const cautions = ({ speaker, input, plan }: JobParts, screens: readonly CautionScreen[]): Content[] => {
  const codes = [...new Map(screens.flatMap((screen) => cautionsOn(screen, { input, plan })).map((caution) => [caution.code, caution])).values()];
  return codes.length === 0
    ? []
    : [heading(say(speaker, 'documents.cautions')), { ul: codes.map(({ code, figures }) => sayCoded(speaker, `caution.${code}`, figures?.({ input, plan }))) }];
};

/** Every finding that is done, with its system. */
const doneOf = (parts: JobParts) =>
  parts.plan.findings.flatMap(({ findingId, takeOff, chosen }) => (chosen && chosen.refused.length === 0 ? [{ findingId, takeOff, chosen }] : []));

const namesOf = ({ input }: JobParts, { sheetId, overlay }: ChosenPlan): string =>
  [sheetOf(input, sheetId)?.name, overlay ? sheetOf(input, overlay.chosen.sheetId)?.name : undefined].filter(Boolean).join(', ');

function sizeOf({ speaker }: JobParts, { area_m2, length_m }: { area_m2: number; length_m: number | null }): string {
  return length_m === null ? printFigure(speaker, 'area_m2', area_m2) : printFigure(speaker, 'length_m', length_m);
}

function scope(parts: JobParts): Content[] {
  const { speaker, data } = parts;
  const head = (['what', 'where', 'size', 'with'] as const).map((column) => say(speaker, `documents.${column}`));
  const rows = doneOf(parts).map(({ findingId, takeOff, chosen }): TableCell[] => [
    findingName(parts, findingId),
    data.element[data.finding[findingId]?.elementId ?? '']?.name ?? '',
    sizeOf(parts, takeOff),
    namesOf(parts, chosen),
  ]);
  return [heading(say(speaker, 'documents.scope')), table(head, rows)];
}

/** Scope, price, other ways beside it, what is not in it, cautions. */
export function offer(parts: JobParts): Content[] {
  const { speaker, input, job } = parts;
  // The shelf is asked for what else would do: an offer that shows one way is no choice.
  const best = computePlan(input, { ranked: 'best' });
  const others = suggestedSystems(input, best).filter(({ code }) => code !== 'chosen');
  const outcomes = compareSystems({ input, systems: [{ code: 'chosen', treatments: input.treatments }, ...others], price_minor: job.price_minor ?? null });
  const [first] = outcomes;
  const head = (['system', 'price', 'days', 'opens'] as const).map((column) => say(speaker, `documents.${column}`));
  const rows = outcomes.map(({ code, price_minor, days, opens_s }): TableCell[] => [
    sayCoded(speaker, `systems.code.${code}`),
    printFigure(speaker, 'price_minor', Math.round(price_minor / 100) * 100),
    String(days),
    opens_s === null ? say(speaker, 'systems.unknown') : printFigure(speaker, 't_s', opens_s),
  ]);
  return [
    ...scope(parts),
    heading(say(speaker, 'documents.price')),
    ...(first
      ? [
          {
            text: say(speaker, job.price_minor ? 'documents.priceAgreed' : 'documents.priceFrom', { price_minor: Math.round(first.price_minor / 100) * 100 }),
            bold: true,
          } as Content,
        ]
      : []),
    ...(rows.length > 1 ? [heading(say(speaker, 'documents.others')), table(head, rows)] : []),
    heading(say(speaker, 'documents.exclusions')),
    { ul: listOf(parts, 'excluded') },
    ...cautions(parts, ['walk', 'fix']),
  ];
}

/** Sentences that stand one under another. */
const listOf = ({ speaker }: JobParts, name: 'excluded' | 'cared'): string[] => [0, 1, 2].map((i) => sayCoded(speaker, `documents.${name}.${i}`));

/** How each finding is done, step by step, then the batches and the cautions. */
export function method(parts: JobParts): Content[] {
  const { speaker, input, plan } = parts;
  return [
    ...scope(parts),
    ...doneOf(parts).flatMap(({ findingId, chosen }): Content[] => {
      const steps = chosen.overlay ? [...chosen.steps, ...chosen.overlay.chosen.steps] : chosen.steps;
      return [
        heading(say(speaker, 'documents.steps', { finding: findingName(parts, findingId) })),
        {
          ol: steps.map((step) => {
            const product = step.sheetId ? sheetOf(input, step.sheetId)?.name : undefined;
            return [sayStep(speaker, step), product, step.thickness_m === null ? undefined : printFigure(speaker, 'd_m', step.thickness_m)]
              .filter(Boolean)
              .join(', ');
          }),
        },
      ];
    }),
    heading(say(speaker, 'documents.list')),
    table(
      (['batch', 'serves', 'amount', 'water'] as const).map((column) => say(speaker, `documents.column.${column}`)),
      plan.batches.map(({ number, serves, amount, window }): TableCell[] => [
        number,
        [...new Set(serves.map(({ findingId }) => findingName(parts, findingId)))].join(', '),
        window ? printFigure(speaker, 'm_kg', amount) : '',
        window && window.batch.water_kg > 0 ? printFigure(speaker, 'w_kg', window.batch.water_kg) : '',
      ]),
    ),
    ...cautions(parts, ['walk', 'fix', 'mix', 'day', 'pour']),
  ];
}

const clockOf = ({ speaker }: JobParts, ms: number): string =>
  new Date(ms).toLocaleTimeString('en-GB', { timeZone: speaker.zone, hour: '2-digit', minute: '2-digit' });
const dayOf = ({ speaker }: JobParts, ms: number): string => new Date(ms).toLocaleDateString('sv-SE', { timeZone: speaker.zone });

/** Every batch, plan against what was logged, then its notes and its checks. */
export function batches(parts: JobParts): Content[] {
  const { speaker, data, events } = parts;
  const used = usedOf(events);
  const since = ({ state }: PouredPart, at: number | null | undefined): string =>
    at == null ? '' : printFigure(speaker, 't_s', (at - state.startedAt) / 1000);
  const rows = pouredOf(parts).map((poured): TableCell[] => {
    const { state, planned } = poured;
    const window = planned?.batch.window;
    const [end] = state.ends;
    const water_m3 = used.get(state.batch)?.water_m3;
    const water_kg = water_m3 === undefined ? window?.batch.water_kg : water_m3 * WATER_KG_M3;
    const lost = end !== undefined && end.kind !== 'finished';
    return [
      state.batch,
      `${dayOf(parts, state.startedAt)} ${clockOf(parts, state.startedAt)}`,
      since(poured, state.placedAt),
      { text: end ? `${sayCoded(speaker, `record.${end.kind}`)} ${since(poured, end.at)}` : '', ...(lost ? { style: 'stop' } : {}) },
      window ? `${printFigure(speaker, 't_s', window.window.placeBy_s)}, ${printFigure(speaker, 't_s', window.window.finishBy_s)}` : '',
      water_kg === undefined ? '' : printFigure(speaker, 'w_kg', water_kg),
      window ? `${printFigure(speaker, 't_C', state.pail_C ?? window.mix_C)}, ${printFigure(speaker, 't_C', state.slab_C ?? window.question.slab_C)}` : '',
      data.person[state.person]?.name ?? '',
    ];
  });
  const notes = parts.batches.flatMap(({ batch, notes: said }) =>
    said.flatMap(({ text }) => (text === '' ? [] : [`${say(speaker, 'record.batch')} ${batch}: ${text}`])),
  );
  const head = (['batch', 'started', 'placed', 'ended', 'planned', 'water', 'temps', 'by'] as const).map((column) =>
    say(speaker, `documents.column.${column}`),
  );
  return [
    table(head, rows, ['auto', 'auto', '*', '*', '*', '*', '*', 'auto']),
    ...(notes.length > 0 ? [heading(say(speaker, 'documents.notes')), { ul: notes }] : []),
    ...checks(parts),
  ];
}

function checks(parts: JobParts): Content[] {
  const { speaker, events } = parts;
  const looked = [...checksOf(events)].flatMap(([findingId, found]) =>
    Object.entries(found).map(([check, passed]): TableCell[] => [
      findingName(parts, findingId),
      sayCoded(speaker, `checks.of.${check}`),
      { text: say(speaker, passed ? 'documents.passed' : 'documents.rework'), ...(passed ? {} : { style: 'caution' }) },
    ]),
  );
  return [
    heading(say(speaker, 'documents.checks')),
    looked.length > 0
      ? { table: { widths: ['*', '*', 'auto'], body: looked }, layout: 'lightHorizontalLines', margin: [0, 4, 0, 8] }
      : { text: say(speaker, 'documents.unchecked') },
  ];
}

/** What was done, when it may be used, its checks, its care, and pictures of before and after. */
export function completion(parts: JobParts): Content[] {
  const { speaker, plan, input, data, job, pictures } = parts;
  const last = Math.max(...parts.batches.map(({ startedAt }) => startedAt), -Infinity);
  const opening = doneOf(parts).flatMap(({ findingId, chosen }) => {
    const asked = input.elements.find(({ id }) => id === data.finding[findingId]?.elementId)?.opens;
    const layer = chosen.overlay?.chosen ?? chosen;
    return (['foot', ...(asked?.to === 'vehicles' ? (['vehicles'] as const) : [])] as const).flatMap((to): string[] => {
      const reached = layer.readiness.find(({ name }) => name === to);
      if (!reached) return [];
      const figures = { finding: findingName(parts, findingId), what: sayCoded(speaker, `dayPlan.to.${to}`) };
      const at = last + reached.after_s * 1000;
      return [
        Number.isFinite(last)
          ? say(speaker, 'documents.openFrom', { ...figures, date: `${dayOf(parts, at)} ${clockOf(parts, at)}` })
          : say(speaker, 'documents.openAfter', { ...figures, after_s: reached.after_s }),
      ];
    });
  });
  const pairs = Object.values(data.photograph).filter(
    ({ jobId, removed, before, id }) => jobId === job.id && !removed && before !== null && pictures.has(id) && pictures.has(before),
  );
  return [
    ...scope(parts),
    ...(opening.length > 0 ? [heading(say(speaker, 'documents.opening')), { ul: opening } as Content] : []),
    ...checks(parts),
    heading(say(speaker, 'documents.care')),
    { ul: listOf(parts, 'cared') },
    ...(pairs.length > 0 ? [heading(say(speaker, 'documents.pictures'))] : []),
    ...pairs.map(({ id, before }): Content => ({
      columns: [before!, id].map((photo) => ({ image: pictures.get(photo)!, fit: [250, 220] as [number, number] })),
      columnGap: 8,
      margin: [0, 6, 0, 0],
    })),
    ...cautions({ ...parts, plan }, ['record']),
  ];
}

/** What an invoice counts. */
export function quantities(parts: JobParts): Content[] {
  const { speaker, input } = parts;
  const rows: TableCell[][] = doneOf(parts).flatMap(({ findingId, takeOff, chosen }): TableCell[][] => {
    const finding = findingName(parts, findingId);
    return [
      takeOff.length_m === null
        ? [say(speaker, 'documents.area', { finding }), printFigure(speaker, 'area_m2', takeOff.area_m2)]
        : [say(speaker, 'documents.length', { finding }), printFigure(speaker, 'length_m', takeOff.length_m)],
      [say(speaker, 'documents.volume', { finding }), printFigure(speaker, 'v_m3', takeOff.volume.p50)],
      ...(chosen.debris ? [[say(speaker, 'documents.debris'), printFigure(speaker, 'm_kg', chosen.debris.mass_kg)]] : []),
    ];
  });
  const mixed = new Map<string, number>();
  const poured = pouredOf(parts);
  for (const { planned } of poured) {
    const name = planned?.batch.window ? sheetOf(planned.input, planned.batch.productId ?? undefined)?.name : undefined;
    if (name && planned) mixed.set(name, (mixed.get(name) ?? 0) + planned.batch.amount);
  }
  const ends = parts.batches.flatMap(({ ends: each }) => each.map(({ at }) => at));
  const worked_s = ends.length > 0 ? (Math.max(...ends) - Math.min(...parts.batches.map(({ startedAt }) => startedAt))) / 1000 : 0;
  const lost = parts.batches.filter(({ ends: each }) => each.some(({ kind }) => kind !== 'finished')).length;
  return [
    table(
      [say(speaker, 'documents.what'), say(speaker, 'documents.quantity')],
      [
        ...rows,
        ...[...mixed].map(([name, kg]): TableCell[] => [say(speaker, 'documents.bagsUsed', { name }), printFigure(speaker, 'm_kg', kg)]),
        [say(speaker, 'documents.batchesDone'), say(speaker, 'documents.ofLost', { count: parts.batches.length, lost: String(lost) })],
        [say(speaker, 'documents.hours'), `${printFigure(speaker, 't_s', worked_s)}, ${say(speaker, 'documents.handHours', { count: input.crew.hands })}`],
      ],
      ['*', 'auto'],
    ),
  ];
}
