import { MIX, nearestMark } from '@tufa/core/mix';
import type { Batch, TicketLine } from '@tufa/core/plan';
import { printIn, siFactor } from '@tufa/core/quantity';
import type { Sheet } from '@tufa/core/shelf';
import { isNamedShare, printFigure, say, sayShare, printMeasure } from '@tufa/words';
import type { Speaker } from '@tufa/words/speak';

/** What a ticket is read with. */
interface Read {
  readonly batch: Batch;
  /** nothing for what is no sheet of the shelf: a slurry, an agent */
  readonly sheet: Sheet | undefined;
  /** a firm that measures by volume fills level vessels with loose powder */
  readonly byVolume?: boolean;
  /** from mark to mark of what it is measured in; as a jug is marked where nobody says */
  readonly mark_m3?: number | undefined;
}

/** A line as it stands on the ticket and is read aloud: what, how much, how. */
export interface SaidLine {
  readonly label: string;
  readonly main: string;
  readonly sub: string;
}

/** A small powder by the level teaspoon, to a quarter. */
const teaspoons = (volume_m3: number): string => printIn({ kind: 'volume', value: Math.round((volume_m3 / TEASPOON_M3) * 4) * (TEASPOON_M3 / 4), unit: 'tsp' });
export const TEASPOON_M3 = siFactor('volume', 'tsp');

/** One mark of the jug the crew holds: four ounces, or fifty millilitres. */
const MARK_M3 = { us: 4 * 2.95735295625e-5, metric: 5e-5 } as const;

/** The jug's nearest mark inside the sheet's band of water, and how far it is off. */
function markText(speaker: Speaker, water_m3: number, { batch, sheet, mark_m3 = MARK_M3[speaker.system] }: Read): string {
  if (!sheet?.water || !batch.ticket) return '';
  const powder_kg = batch.window?.batch.powder_kg ?? 0;
  // Of the sheet's band what is left beside latex, ice and the stone's own water.
  const at = (ratio: number): number => Math.max(0, water_m3 + ((ratio - batch.ticket!.waterRatio) * powder_kg) / MIX.water_kg_m3);
  const mark = nearestMark({ wanted_m3: water_m3, step_m3: mark_m3, least_m3: at(sheet.water.least), most_m3: at(sheet.water.most) });
  if (!mark) return say(speaker, 'mix.noMark');
  const percent = Math.round(mark.difference * 100);
  const off = percent === 0 ? '' : `, ${percent > 0 ? '+' : '\u2212'}${Math.abs(percent)} %`;
  return `${say(speaker, 'mix.mark', { mark: printMeasure(speaker, 'volume', mark.mark_m3) })}${off}`;
}

/** A share with a name is taken by the bag, any other by weight; either says the other too. By volume it is level vessels of it, loose. */
function powderText(
  speaker: Speaker,
  { share, mass_kg, portions }: Extract<TicketLine, { code: 'powder' }>,
  { sheet, byVolume }: Read,
): { main: string; sub: string } {
  const mass = printMeasure(speaker, 'mass', mass_kg);
  if (byVolume && sheet)
    return { main: printMeasure(speaker, 'volume', mass_kg / sheet.bulkDensity_kg_m3), sub: say(speaker, 'mix.loose', { mass, count: portions }) };
  const [main, other] = isNamedShare(share) ? [sayShare(speaker, share), mass] : [mass, sayShare(speaker, share)];
  return { main, sub: portions > 1 ? say(speaker, 'mix.inGoes', { mass: other, count: portions }) : other };
}

/** Stone or sand by weight, or in level vessels, loose. */
function looseText(speaker: Speaker, mass_kg: number, how: string, byVolume: boolean | undefined): { main: string; sub: string } {
  const mass = printMeasure(speaker, 'mass', mass_kg);
  if (!byVolume) return { main: mass, sub: how };
  return { main: printMeasure(speaker, 'volume', mass_kg / MIX.sandBulk_kg_m3), sub: say(speaker, 'mix.looseStone', { mass, how }) };
}

const figureOf = (speaker: Speaker, line: TicketLine, read: Read): { main: string; sub: string } => {
  const { batch, sheet, byVolume } = read;
  switch (line.code) {
    case 'water':
      return {
        main: printMeasure(speaker, 'volume', line.volume_m3),
        sub: sheet ? `${say(speaker, 'mix.toLower')}. ${markText(speaker, line.volume_m3, read)}` : say(speaker, 'mix.slurryLiquid'),
      };
    case 'ice':
      return { main: printMeasure(speaker, 'mass', line.mass_kg), sub: say(speaker, 'mix.iceMelts') };
    case 'citric':
      return { main: printMeasure(speaker, 'mass', line.mass_kg), sub: `${teaspoons(line.volume_m3)}, ${say(speaker, 'mix.stirGone')}` };
    case 'colour':
      return { main: say(speaker, 'mix.colourPacks', { count: Math.round(line.packs * 100) / 100 }), sub: say(speaker, 'mix.stirGone') };
    case 'stone':
      return looseText(speaker, line.mass_kg, say(speaker, 'mix.stoneIn'), byVolume);
    case 'sand':
      return looseText(speaker, line.mass_kg, say(speaker, 'mix.sandIn'), byVolume);
    case 'fibre':
      return { main: printMeasure(speaker, 'mass', line.mass_kg), sub: say(speaker, 'mix.fibreLast') };
    case 'ready':
      return { main: printMeasure(speaker, 'volume', line.volume_m3), sub: say(speaker, 'mix.readyAsItIs') };
    case 'part':
      return {
        main: printMeasure(speaker, 'volume', line.volume_m3),
        sub: say(speaker, batch.shots ? 'mix.partMark' : 'mix.partWeigh', {
          mark: printMeasure(speaker, 'volume', line.level_m3),
          mass: printMeasure(speaker, 'mass', line.mass_kg),
        }),
      };
    case 'retarder':
      return { main: say(speaker, 'day.packets', { count: Math.round(line.packets * 100) / 100 }), sub: say(speaker, 'mix.stirGone') };
    case 'powder':
      return powderText(speaker, line, read);
    case 'mix':
      return { main: printFigure(speaker, 't_s', line.time_s), sub: say(speaker, batch.shots ? 'mix.shakeIt' : 'mix.slow') };
    case 'latex':
      return {
        main: printMeasure(speaker, 'volume', line.volume_m3),
        sub: say(speaker, sheet ? 'mix.latexIn' : 'mix.slurryLatex', { mass: printMeasure(speaker, 'mass', line.mass_kg) }),
      };
    case 'cement':
      return { main: printMeasure(speaker, 'mass', line.mass_kg), sub: say(speaker, 'mix.slurryCement') };
    case 'gel':
      return { main: printFigure(speaker, 't_s', line.time_s), sub: say(speaker, 'mix.gelWait') };
    case 'portions':
      return { main: String(line.count), sub: say(speaker, 'mix.portionsHow') };
    case 'brushOn':
      return { main: printFigure(speaker, 'a_m2', line.area_m2), sub: say(speaker, 'mix.brushThin') };
  }
};

/** A part as it is called on the tin. */
export const partLetter = (part: number): string => String.fromCharCode(65 + part);

/** A ticket line in words: a part by its letter, a bottle shaken where a pail is stirred. */
export function sayLine(speaker: Speaker, line: TicketLine, read: Read): SaidLine {
  const label =
    line.code === 'part'
      ? say(speaker, 'mix.partName', { part: partLetter(line.part) })
      : say(speaker, line.code === 'mix' && read.batch.shots ? 'mix.shake' : `mix.${line.code}`);
  return { label, ...figureOf(speaker, line, read) };
}
