import { weatherClass } from './weatherClass';

test.each([
  [2, 15, 'frost'],
  [15, 2, 'frost'],
  [2.1, 20, 'cold'],
  [20, 9.9, 'cold'],
  [10, 26.9, 'mild'],
  [27, 15, 'hot'],
  [15, 27, 'hot'],
  [40, 1, 'frost'],
])('air of %s degC on ground of %s degC is %s', (air_C, slab_C, kind) => expect(weatherClass({ air_C, slab_C })).toBe(kind));
