import { AID_ROLES, type TreatmentInput } from '@tufa/core/plan';

/** Every sheet that a treatment names: what fills it, what lies over it, what bonds, cures and coats it. */
export const namedBy = ({ sheetId, overlay, aids = {} }: TreatmentInput): string[] => [
  sheetId,
  ...(overlay ? [overlay.sheetId] : []),
  ...AID_ROLES.flatMap((role) => aids[role] ?? []),
];

/** A treatment with one sheet in another's place, wherever it stands. */
export function swapped(treatment: TreatmentInput, from: string, to: string): TreatmentInput {
  const { sheetId, overlay, aids } = treatment;
  const at = (id: string): string => (id === from ? to : id);
  return {
    ...treatment,
    sheetId: at(sheetId),
    ...(overlay ? { overlay: { ...overlay, sheetId: at(overlay.sheetId) } } : {}),
    ...(aids ? { aids: Object.fromEntries(Object.entries(aids).map(([role, id]) => [role, at(id)])) } : {}),
  };
}
