import type { work as english } from '../work';
import { archive } from './archive';
import { care } from './care';
import { caution } from './cautions';
import { day, lever, rain, strata } from './day';
import { dayPlan } from './dayPlan';
import { documents } from './documents';
import { crewFigures } from './crewFigures';
import { rehearse } from './rehearse';
import { doors, join, recovery, start } from './doors';
import { draw } from './draw';
import { files, sheetDoc } from './files';
import { find } from './find';
import { firm, keys, ready } from './firm';
import { fix } from './fix';
import { house, step } from './house';
import { conflict, jobs, place, state } from './jobs';
import { opinion, refused, stale, stop, verdict } from './judgement';
import { kit } from './kit';
import { field, gauge, instrument, keypad, photo } from './measuring';
import { lan } from './lan';
import { load, mix, used, ways } from './mix';
import { sum } from './sum';
import { after, broke, checks, pour } from './pour';
import { problems } from './problems';
import { reasons } from './reasons';
import { record } from './record';
import { classes, shelf } from './shelf';
import { crew, layers, rates, systems, works } from './systems';
import { walk } from './walk';
import { sun, week } from './week';
import { lesson, why } from './why';
import { wordsOfData } from './wordsOfData';

import type { Translation } from './Translation';

/** Spanish for everything that computes, draws or prints, in the words of the same topics. */
export const work: Translation<typeof english> = {
  unit: {
    min: 'min',
    mm: 'mm',
    L: 'L',
    mL: 'mL',
    qt: 'qt',
    oz: 'oz',
    s: 's',
    h: 'h',
    bags: 'sacos',
    bag: 'saco',
    hands: 'manos',
    packets: 'sobres por saco',
    deg: '°',
  },
  firm,
  jobs,
  week,
  sun,
  dayPlan,
  documents,
  care,
  archive,
  find,
  doors,
  lan,
  join,
  recovery,
  start,
  rehearse,
  crewFigures,
  place,
  state,
  conflict,
  sheet: { close: 'Cerrar' },
  slide: { how: 'Deslice: {{what}}', again: 'Presione otra vez: {{what}}' },
  ready,
  keys,
  shelf,
  class: classes,
  house,
  fixStep: step,
  systems,
  layers,
  rates,
  works,
  crew,
  kit,
  word: wordsOfData,
  verdict,
  opinion,
  stop,
  refused,
  walk,
  photo,
  stale,
  files,
  sheetDoc,
  gauge,
  instrument,
  lesson,
  why,
  keypad,
  field,
  draw,
  fix,
  reason: reasons,
  mix,
  ways,
  load,
  used,
  sum,
  day,
  rain,
  lever,
  strata,
  pour,
  after,
  broke,
  checks,
  record,
  caution,
  problem: problems,
  table: { show: 'En tabla', hide: 'Quitar la tabla' },
};
