import { SPOKEN } from '@tufa/contract/languages';
import { bring } from './bring';
import { sayDate } from './dates';
import { bringPseudo, longer } from './pseudo';
import { areSigned } from './signedCautions';
import { readFileSync } from 'node:fs';
import { resolve } from 'node:path';
import { CAUTIONS, KIT_GROUPS } from '@tufa/core/plan';
import { HOUSE_QUESTIONS } from '@tufa/core/choose';
import { aids, catalogue } from '@tufa/core/shelf/catalogue';
import { i18n, PLAIN, printFigure, say, sayReason, sayShare } from './index';

// That every code of the screens and of the core has its sentence, and every sentence its figures, is held by the types: sentences.ts, covered.ts.
test('every school, clash, class and caution of the data has its words', () => {
  const clashes = [...readFileSync(resolve(__dirname, '../core/shelf/contradictions.ts'), 'utf8').matchAll(/say\('[^']+', '([a-zA-Z]+)'/g)];
  expect(clashes.length).toBeGreaterThan(5);
  const wanted = [
    ...KIT_GROUPS.map((group) => `kit.groups.${group}`),
    ...Object.entries(HOUSE_QUESTIONS).flatMap(([question, all]) => [...all, 'label', 'why'].map((school) => `house.${question}.${school}`)),
    ...clashes.map(([, code]) => `problem.${code}`),
    ...[...aids, ...catalogue].map((sheet) => `class.${sheet.class}`),
    ...CAUTIONS.map(({ code }) => `caution.${code}`),
  ];
  expect([...new Set(wanted)].filter((code) => !i18n.exists(code))).toEqual([]);
});

test('figures speak in the firm’s units', () => {
  const reason = { code: 'thickness.fits' as const, figures: { depth_m: 0.038, least_m: 0.005, most_m: 0.1 } };
  // No line ends between a number and its unit.
  expect(sayReason(PLAIN, reason)).toBe('Depth 1\u00a01\u20442\u00a0in, sheet 3\u204416\u00a0in to 3\u00a015\u204416\u00a0in');
  const metric = { ...PLAIN, system: 'metric', currency: 'EUR' } as const;
  expect(sayReason(metric, reason)).toBe('Depth 38\u00a0mm, sheet 5\u00a0mm to 100\u00a0mm');
  expect(printFigure(metric, 'p_minor', 2350)).toBe('€23.50');
  expect([0, 0.004, 0.29].map((share) => printFigure(PLAIN, 'chance_share', share))).toEqual(['0\u00a0%', '<\u00a01\u00a0%', '29\u00a0%']);
  expect(printFigure(PLAIN, 'kind', 'slab')).toBe('Slab');
  expect(sayShare(PLAIN, 1 / 3)).toBe('a third of a bag');
  expect(sayShare(PLAIN, 0.4)).toBe('40\u00a0% of a bag');
  expect(say(PLAIN, 'mix.bags', { count: 1 })).toBe('1 bag');
  expect(sayReason(PLAIN, { code: 'stop.rust', figures: { answer: 'unknown' } })).toBe("Rust stains or bare steel? Don't know.");
});

test('the pseudo-language is about 40 % longer and leaves figures alone', () => {
  const text = longer('Place it within 8 min, 1 1/2 in deep');
  expect(text.length).toBeGreaterThan(36 * 1.25);
  expect(text).toMatch(/8 mîn, 1 1\/2/);
  expect(longer('8')).toBe('8');
});

test('two languages and two firms speak in one process, each by its own', () => {
  bringPseudo();
  const other = { language: 'pseudo', system: 'metric', currency: 'EUR', zone: 'UTC' } as const;
  const reason = { code: 'thickness.over' as const, figures: { depth_m: 0.12, least_m: 0.005, most_m: 0.1 } };
  const plain = sayReason(PLAIN, reason);
  const longest = sayReason(other, reason);
  expect(longest).toContain('120\u00a0mm');
  expect(longest).toContain('lorem');
  expect(longest.length).toBeGreaterThan(plain.length);
  expect(sayReason(PLAIN, reason)).toBe(plain);
  expect(plain).not.toMatch(/lorem|mm/);
  // A plural's count picks its sentence in either.
  expect([1, 2].map((count) => say(PLAIN, 'mix.bags', { count }))).toEqual(['1 bag', '2 bags']);
  expect(say(other, 'mix.bags', { count: 1 })).not.toBe(say(other, 'mix.bags', { count: 2 }));
});

describe('another language', () => {
  const sentencesOf = (language: string): Map<string, string> => {
    const found = new Map<string, string>();
    const walk = (table: object, path: string): void => {
      for (const [key, value] of Object.entries(table))
        if (typeof value === 'string') found.set(`${path}${key}`, value);
        else walk(value as object, `${path}${key}.`);
    };
    walk(i18n.getResourceBundle(language, 'translation') as object, '');
    return found;
  };
  // A count of one may be said without its figure.
  const figuresOf = (code: string, text = ''): string[] =>
    [...text.matchAll(/{{(\w+)}}/g)]
      .map(([, name]) => name!)
      .filter((name) => name !== 'count' || !code.endsWith('_one'))
      .sort();

  test.each(SPOKEN.filter((language) => language !== 'en'))('%s lacks nothing, has nothing of its own, and names the same figures', async (language) => {
    await bring(language);
    const [english, other] = [sentencesOf('en'), sentencesOf(language)];
    expect([...english.keys()].filter((code) => !other.has(code))).toEqual([]);
    expect([...other.keys()].filter((code) => !english.has(code))).toEqual([]);
    expect([...english].filter(([code, text]) => figuresOf(code, text).join() !== figuresOf(code, other.get(code)).join()).map(([code]) => code)).toEqual([]);
    // What stands in both alike is a unit, a name or a sign, and little of it.
    const alike = [...english].filter(([code, text]) => /[a-z]{4}/.test(text.replace(/{{\w+}}/g, '')) && other.get(code) === text);
    expect(alike.length).toBeLessThan(english.size * 0.02);
  });

  test('it speaks its plurals, its dates and its problems, and its cautions say that nobody has signed them', async () => {
    await bring('es');
    const es = { ...PLAIN, language: 'es', currency: 'MXN' } as const;
    expect([1, 2].map((count) => say(es, 'mix.bags', { count }))).toEqual(['1 saco', '2 sacos']);
    expect([PLAIN, es].map((speaker) => sayDate(speaker, '2026-05-12', 'date'))).toEqual(['May 12, 2026', '12 may 2026']);
    expect(sayDate(es, Date.UTC(2026, 4, 12, 23, 5), 'time', 'America/New_York')).toBe('19:05');
    expect(sayReason(es, { code: 'thickness.fits', figures: { depth_m: 0.038, least_m: 0.005, most_m: 0.1 } })).toMatch(/^Hondo 1/);
    expect(say(es, 'problem.notAllowed', { least: 'owner' })).toContain('(dueño)');
    expect([PLAIN, es].map(areSigned)).toEqual([true, false]);
  });
});
