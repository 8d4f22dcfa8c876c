import type { FirmData } from '@tufa/contract/entities';
import { aidOf, sheetOf, type Batch, type PlanInput } from '@tufa/core/plan';
import { bagOf } from '@tufa/core/shelf';
import { isNamedShare, printFigure, say, printMeasure } from '@tufa/words';
import type { Speaker } from '@tufa/words/speak';
import { findingName } from '@tufa/words/findingName';
import { amountText } from '../shelf/linesOf';

/** Where what is mixed is described. */
export type Shelf = Pick<PlanInput, 'sheets'> & { readonly aids?: PlanInput['aids'] | undefined };

/** What it is made of. */
export const productName = (speaker: Speaker, shelf: Shelf, { productId, make }: Batch): string =>
  make === 'slurry' ? say(speaker, 'mix.slurryName') : (sheetOf(shelf, productId)?.name ?? aidOf(shelf, productId)?.name ?? '');

const SHORT = [
  [1, 'mix.whole1'],
  [1 / 2, 'mix.half'],
  [1 / 3, 'mix.third'],
  [1 / 4, 'mix.quarter'],
] as const;

/** How much of it, as it is measured: a named share of a bag, else a weight; a shot by the bottle. */
export function amountOf(speaker: Speaker, shelf: Shelf, { make, productId, amount, shots, ticket, slurry }: Batch): string {
  if (slurry) return printMeasure(speaker, 'volume', slurry.volume_m3);
  if (shots) {
    const shot = printMeasure(speaker, 'volume', shots.shot_m3);
    return shots.count > 1 ? say(speaker, 'mix.each', { amount: shot }) : shot;
  }
  const sheet = sheetOf(shelf, productId);
  if (!sheet) {
    const unit = aidOf(shelf, productId)?.unit ?? 'piece';
    return unit === 'm3' ? printMeasure(speaker, 'volume', amount) : amountText(speaker, unit, amount);
  }
  const ready = ticket?.lines.find((line) => line.code === 'ready');
  if (ready) return printMeasure(speaker, 'volume', ready.volume_m3);
  const share = amount / bagOf(sheet).mass_kg;
  const named = make === 'parts' ? undefined : SHORT.find(([value]) => isNamedShare(share) && Math.abs(value - share) < 1e-6);
  return named ? say(speaker, named[1]) : printMeasure(speaker, 'mass', amount);
}

/** How long it lasts, as it counts at the pail. */
export function lifeText(speaker: Speaker, { window, shots, open, fits }: Batch): string {
  if (!fits) return say(speaker, 'mix.doesNotFit');
  if (shots) return say(speaker, 'mix.aShot', { t_s: shots.safe_s });
  if (window) return say(speaker, 'mix.toPlace', { t_s: window.window.placeBy_s });
  return open?.most_s ? say(speaker, 'mix.openFor', { t_s: open.most_s }) : say(speaker, 'mix.noClock');
}

/** Whom it serves, in the order in which it is laid. */
export function servesText(speaker: Speaker, data: Pick<FirmData, 'finding'>, { serves }: Batch): string {
  const parts = serves.map(({ findingId, role, lift, lifts, step, part, panel, nth, of }) => {
    const name = say(speaker, `mix.role.${role}`, { finding: findingName(speaker, data, findingId) });
    const at = step === null || lifts > 1 ? name : say(speaker, 'mix.servesStep', { step: String(step), finding: name });
    const finding = lifts > 1 ? say(speaker, 'mix.servesLift', { finding: at, lift: String(lift), lifts: String(lifts) }) : at;
    const panelled = panel ? say(speaker, 'mix.servesPanel', { finding, nth: String(panel.nth), of: String(panel.of) }) : finding;
    // What is laid side by side goes strip by strip; what fills a hole goes on where the last one ended.
    return role === 'overlay' && of > 1
      ? say(speaker, 'mix.servesStrip', { finding: panelled, nth: String(nth), of: String(of) })
      : say(speaker, `mix.serves.${part}`, { finding: panelled });
  });
  return parts.length < 2 ? parts.join('') : say(speaker, 'mix.and', { a: parts.slice(0, -1).join(', '), b: parts.at(-1)! });
}

/** Why a batch waits, and how long. */
export function waitText(speaker: Speaker, { reason, least_s, most_s }: Batch['waits'][number]): string {
  if (reason === 'bondOpen')
    return most_s === null ? say(speaker, 'mix.wait.bondOpenFrom', { least_s }) : say(speaker, 'mix.wait.bondOpen', { least_s, most_s });
  const text = say(speaker, `mix.wait.${reason}`, { least_s });
  return most_s === null || reason === 'slurryWet' ? text : `${text}; ${say(speaker, 'mix.wait.until', { most_s })}`;
}

/** Life of a batch as a sentence at the pail. */
export function haveText(speaker: Speaker, { make, window, shots }: Batch): string | null {
  if (!window) return null;
  return say(speaker, 'mix.youHave', { t_s: shots ? shots.safe_s : window.window.placeBy_s, from: say(speaker, `mix.from.${make}`) });
}

/** What keeps a batch from being larger; nothing where nothing does. */
export const limitText = (speaker: Speaker, { limit }: Batch): string | null =>
  limit === null ? null : say(speaker, 'mix.limitOf', { limit: printFigure(speaker, 'limit', limit) });
