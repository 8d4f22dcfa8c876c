import tokens from '../parts/ui/tokens.json';

type Mode = keyof typeof tokens;
type Token = keyof typeof tokens.light;

/** WCAG relative luminance and contrast. */
const luminance = (hex: string): number => {
  const [r, g, b] = [1, 3, 5].map((at) => parseInt(hex.slice(at, at + 2), 16) / 255).map((c) => (c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4)) as [
    number,
    number,
    number,
  ];
  return 0.2126 * r + 0.7152 * g + 0.0722 * b;
};
const contrast = (a: string, b: string): number => {
  const [high, low] = [luminance(a), luminance(b)].sort((x, y) => y - x) as [number, number];
  return (high + 0.05) / (low + 0.05);
};

const TEXT: [Token, Token][] = [
  ['ink', 'ground'],
  ['ink', 'sheet'],
  ['ink', 'sunk'],
  ['faint', 'ground'],
  ['faint', 'sheet'],
  ['on-act', 'act'],
  ['act', 'ground'],
  ['caution', 'caution-fill'],
  ['caution', 'ground'],
  ['stop', 'stop-fill'],
  ['stop', 'sheet'],
  ['stop', 'ground'],
  ['ink', 'caution-fill'],
  ['ink', 'stop-fill'],
  ['on-selected', 'selected'],
  ['assumed', 'ground'],
];
const STROKES: [Token, Token][] = [
  ['edge', 'ground'],
  ['edge', 'sheet'],
  ['focus', 'ground'],
  ['disabled', 'ground'],
  ['ink', 'pat-wet'],
  ['ink', 'pat-mortar'],
  ['ink', 'pat-stiff'],
  ['pat-mark', 'pat-wet'],
  ['pat-mark', 'pat-mortar'],
  ['pat-mark', 'pat-stiff'],
];

describe.each(Object.keys(tokens) as Mode[])('%s', (mode) => {
  test.each(TEXT)('%s on %s reads at 5.5:1', (a, b) => expect(contrast(tokens[mode][a], tokens[mode][b])).toBeGreaterThanOrEqual(5.5));
  test.each(STROKES)('%s on %s stands out at 3:1', (a, b) => expect(contrast(tokens[mode][a], tokens[mode][b])).toBeGreaterThanOrEqual(3));
});

test('in the sun no tint carries meaning', () => {
  for (const pattern of ['pat-wet', 'pat-mortar', 'pat-stiff', 'pat-set'] as const) expect(tokens.sun[pattern]).toBe(tokens.sun.ground);
});
