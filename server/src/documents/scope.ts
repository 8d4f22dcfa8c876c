import { cautionsOn, sheetOf, type CautionScreen, type ChosenPlan } from '@tufa/core/plan';
import { printFigure, say, sayCoded, type Speaker } from '@tufa/words';
import { areSigned } from '@tufa/words/signedCautions';
import { findingName } from '@tufa/words/findingName';
import type { Content, TableCell } from 'pdfmake/interfaces';
import type { JobParts } from './JobParts';
import { heading, table } from './table';

/** A finding as it is called on paper, its letter on the same line. */
export const nameOf = ({ speaker, data }: JobParts, findingId: string): string => findingName(speaker, data, findingId).replaceAll(' ', '\u00a0');

/** What is said of cautions that nobody has signed in their language yet. */
export const unsigned = (speaker: Speaker): Content[] => (areSigned(speaker) ? [] : [{ text: say(speaker, 'caution.unsigned'), style: 'caution' }]);

/** Cautions of the screens that a document stands for, each told one time; nothing where there are none. */
export const cautions = ({ speaker, input, plan }: JobParts, screens: readonly CautionScreen[]): Content[] => {
  const codes = [...new Map(screens.flatMap((screen) => cautionsOn(screen, { input, plan })).map((caution) => [caution.code, caution])).values()];
  return codes.length === 0
    ? []
    : [
        heading(say(speaker, 'documents.cautions')),
        ...unsigned(speaker),
        { ul: codes.map(({ code, figures }) => sayCoded(speaker, `caution.${code}`, figures?.({ input, plan }))) },
      ];
};

/** Every finding that is done, with its system. */
export const doneOf = (parts: JobParts) =>
  parts.plan.findings.flatMap(({ findingId, takeOff, chosen }) => (chosen && chosen.refused.length === 0 ? [{ findingId, takeOff, chosen }] : []));

/** What a finding is repaired with, and what lies over it. */
const namesOf = ({ input }: JobParts, { sheetId, overlay }: ChosenPlan): string =>
  [sheetOf(input, sheetId)?.name, overlay ? sheetOf(input, overlay.chosen.sheetId)?.name : undefined].filter(Boolean).join(', ');

function sizeOf({ speaker }: JobParts, { area_m2, length_m }: { area_m2: number; length_m: number | null }): string {
  return length_m === null ? printFigure(speaker, 'area_m2', area_m2) : printFigure(speaker, 'length_m', length_m);
}

/** What is done, where, how large and with what; nothing where nothing is chosen. */
export function scope(parts: JobParts): Content[] {
  const { speaker, data } = parts;
  const head = (['what', 'where', 'size', 'with'] as const).map((column) => say(speaker, `documents.${column}`));
  const rows = doneOf(parts).map(({ findingId, takeOff, chosen }): TableCell[] => [
    nameOf(parts, findingId),
    data.element[data.finding[findingId]?.elementId ?? '']?.name ?? '',
    sizeOf(parts, takeOff),
    namesOf(parts, chosen),
  ]);
  return [heading(say(speaker, 'documents.scope')), table(head, rows)];
}
