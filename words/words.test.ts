import { longer } from './pseudo';
import { readdirSync, readFileSync, statSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { CAUTIONS, KIT_CODES, KIT_GROUPS, STEPS, TOOLS } from '@tufa/core/plan';
import { HOUSE_QUESTIONS } from '@tufa/core/choose';
import { aids, catalogue } from '@tufa/core/shelf/catalogue';
import { i18n, PLAIN, printFigure, say, sayReason, sayShare } from './index';

const root = resolve(__dirname, '..');
const files = (folder: string): string[] =>
  readdirSync(folder).flatMap((name) => {
    const path = join(folder, name);
    if (['node_modules', 'dist', '.expo', '.empty', 'public'].includes(name)) return [];
    return statSync(path).isDirectory() ? files(path) : /\.tsx?$/.test(name) && !name.endsWith('.test.ts') && !name.endsWith('.test.tsx') ? [path] : [];
  });

test('every sentence that the screens and the server ask for is there', () => {
  const asked = ['app', 'server/src', 'cli']
    .flatMap((folder) => files(join(root, folder)))
    .flatMap((path) => [...readFileSync(path, 'utf8').matchAll(/\bsay\(\s*\w+,\s*'([a-zA-Z0-9.]+)'/g)].map(([, code]) => code as string));
  expect(asked.length).toBeGreaterThan(150);
  expect([...new Set(asked)].filter((code) => !i18n.exists(code) && !i18n.exists(`${code}_other`))).toEqual([]);
});

test('every reason of the rules, every caution, every problem and every class has its words', () => {
  const codes = files(join(root, 'core')).flatMap((path) => {
    const text = readFileSync(path, 'utf8');
    return [
      ...[...text.matchAll(/reason\('([a-zA-Z.]+)'/g)].map(([, code]) => `reason.${code}`),
      ...[...text.matchAll(/new Problem\('([a-zA-Z]+)'/g)].map(([, code]) => (i18n.exists(`field.${code}`) ? `field.${code}` : `problem.${code}`)),
    ];
  });
  const steps = Object.keys(STEPS).map((code) => `fixStep.${code.slice('step.'.length)}`);
  const schools = Object.entries(HOUSE_QUESTIONS).flatMap(([question, all]) => [...all, 'label', 'why'].map((school) => `house.${question}.${school}`));
  const clashes = [...readFileSync(join(root, 'core/shelf/contradictions.ts'), 'utf8').matchAll(/say\('[^']+', '([a-zA-Z]+)'/g)].map(
    ([, code]) => `problem.${code}`,
  );
  const kit = [...TOOLS, ...KIT_CODES].map((code) => `kit.${code}`);
  expect(steps.length).toBeGreaterThan(30);
  const wanted = [
    ...codes,
    ...kit,
    ...KIT_GROUPS.map((group) => `kit.groups.${group}`),
    ...steps,
    ...schools,
    ...clashes,
    ...aids.map((aid) => `class.${aid.class}`),
    ...CAUTIONS.map(({ code }) => `caution.${code}`),
    ...catalogue.map((sheet) => `class.${sheet.class}`),
  ];
  expect([...new Set(wanted)].filter((code) => !i18n.exists(code) && !i18n.exists(`${code}_other`) && !/usage|unknownUnit|unreadable/.test(code))).toEqual([]);
});

test('figures speak in the firm’s units', () => {
  const reason = { code: 'thickness.fits', figures: { depth_m: 0.038, least_m: 0.005, most_m: 0.1 } };
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
