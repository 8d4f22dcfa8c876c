import { boundsOf, boxAt, crossesBox, labelPlaces, overlap, type Box, type WantedLabel } from './labelPlaces';
import { flightFaceAt, flightLayout, flightScene, planScene, roomFor, type Scene, type Shape } from './index';

type Words = Extract<Shape, { type: 'label' }>;
const wordsOf = ({ shapes }: Scene): { text: string; box: Box }[] =>
  shapes.flatMap((shape) => {
    if (shape.type !== 'label' || !('text' in shape.label)) return [];
    const { x, y, size, anchor = 'start' } = shape as Words;
    const width = roomFor(shape.label.text, size);
    const left = anchor === 'middle' ? x - width / 2 : anchor === 'end' ? x - width : x;
    return [{ text: shape.label.text, box: { left, right: left + width, top: y - size * 0.75, bottom: y + size * 0.2 } }];
  });
const covered = (words: readonly { text: string; box: Box }[]): string[] =>
  words.flatMap((a, i) => words.slice(i + 1).flatMap((b) => (overlap(a.box, b.box) ? [`${a.text} on ${b.text}`] : [])));

/** A fixed run of numbers from 0 to 1. */
const numbers = (seed: number) => {
  let state = seed;
  return (): number => (state = (state * 16807) % 2147483647) / 2147483647;
};

test('labels cover neither each other, nor what is taken, nor a line, and stand the same every time', () => {
  const room = { left: 0, top: 0, right: 600, bottom: 500 };
  for (let seed = 1; seed <= 20; seed += 1) {
    const next = numbers(seed);
    const at = (): [number, number] => [40 + next() * 520, 40 + next() * 420];
    const labels = Array.from({ length: 25 }, (): WantedLabel => ({ width: 30 + next() * 60, height: 18, at: at(), beside: next() > 0.5 }));
    const taken = { boxes: Array.from({ length: 20 }, () => boxAt(...at(), 10, 10)), lines: Array.from({ length: 5 }, () => [at(), at()]) };
    const places = labelPlaces(labels, taken, room);
    expect(labelPlaces(labels, taken, room)).toEqual(places);
    const boxes = places.map((place, i) => boxAt(place!.x, place!.y, labels[i]!.width, labels[i]!.height));
    boxes.forEach((box, i) => {
      expect([...taken.boxes, ...boxes.slice(i + 1)].filter((other) => overlap(box, other))).toEqual([]);
      expect(taken.lines.filter(([a, b]) => crossesBox(a!, b!, box))).toEqual([]);
      expect(boundsOf([[box.left, box.top], [box.right, box.bottom]]).left).toBeGreaterThanOrEqual(-1); // prettier-ignore
    });
  }
});

test('what may give way gives way; what must stand and finds no room stands where it covers least', () => {
  const room = { left: 0, top: 0, right: 60, bottom: 30 };
  const label: WantedLabel = { width: 50, height: 20, at: [30, 15] };
  expect(labelPlaces([label, { ...label, optional: true }], { boxes: [], lines: [] }, room)).toEqual([{ x: 30, y: 15, leader: false }, null]);
  expect(labelPlaces([label, label], { boxes: [], lines: [] }, room)[1]).toMatchObject({ leader: false });
});

test('small findings in a heap keep their letters apart, at a phone width and at twice the size of text', () => {
  const outline = [[0, 0], [5, 0], [5, 4], [0, 4]] as const; // prettier-ignore
  const spot = (i: number) => {
    const [x, y] = [2 + (i % 4) * 0.12, 1.5 + Math.floor(i / 4) * 0.12];
    return { id: String(i), label: String.fromCharCode(65 + i), depth: '1 1/2 in', points: [[x, y], [x + 0.1, y], [x + 0.1, y + 0.1], [x, y + 0.1]] as const }; // prettier-ignore
  };
  const findings = Array.from({ length: 12 }, (_, i) => spot(i));
  const readings = findings.map(({ points: [[x, y]] }, i) => ({ at: [x + 0.05, y + 0.05] as const, text: `${i + 1} mm` }));
  for (const width of [272, 328, 1000]) {
    const words = wordsOf(planScene({ outline, findings, readings, width, height: 260, unit_m: 1, unit: 'm' }));
    expect(covered(words)).toEqual([]);
    expect(words.filter(({ text }) => /^[A-L]$/.test(text)).length).toBe(12);
  }
});

const typed = (value: number) => ({ value, source: 'typed' }) as const;
const flight = { steps: [0.17, 0.18, 0.18].map((rise, i) => ({ rise: typed(rise), going: typed(i === 2 ? 3 : 0.28) })) };

test('the profile of a flight is drawn to scale, its landing broken off, and the face under a finger is found', () => {
  const room = { flight, width: 330, height: 280 };
  const { corners, perMetre, broken, floor } = flightLayout(room);
  expect(broken).toBe(true);
  expect(floor - corners[2]!.nosing[1]).toBeCloseTo(0.53 * perMetre, 9);
  corners.forEach(({ step, foot, nosing, back }) => {
    expect(flightFaceAt({ corners }, [foot[0] - 3, (foot[1] + nosing[1]) / 2])).toEqual({ step, face: 'riser' });
    expect(flightFaceAt({ corners }, [(nosing[0] + back[0]) / 2, nosing[1] + 4])).toEqual({ step, face: 'tread' });
    expect(flightFaceAt({ corners }, [nosing[0] + 1, nosing[1] - 1])).toEqual({ step, face: 'nosing' });
  });
  const scene = flightScene({
    ...room,
    printed: flight.steps.map(() => ({ rise: '7 in', going: '11 in' })),
    findings: [
      { id: 'a', label: 'A', kind: 'edge', from_m: 3, to_m: 3, broken: { across_m: 0.04, down_m: 0.03 } },
      { id: 'b', label: 'B', kind: 'step', from_m: 3.46, to_m: 3.46, rebuilt: { step: 2, steps: 1, stays: 0.25 } },
      { id: 'c', label: 'C', kind: 'skim', from_m: 3.74, to_m: 3.91 },
    ],
    chosen: { step: 1, face: 'tread' },
  });
  expect(covered(wordsOf(scene))).toEqual([]);
  expect(wordsOf(scene).map(({ text }) => text)).toEqual(expect.arrayContaining(['A', 'B', 'C', '7 in', '11 in']));
  const laid = (faces: object): number => planScene({ outline: [[0, 0], [1, 0], [1, 4.09], [0, 4.09]], findings: [], width: 330, height: 280, unit_m: 1, unit: 'm', ...faces }).shapes.length; // prettier-ignore
  expect(laid({ flight }) - laid({})).toBe(6);
});
