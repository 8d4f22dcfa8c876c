type None = Readonly<Record<never, never>>;
interface OfSheet {
  readonly sheet: string;
}
interface Named {
  readonly id: string;
}
interface Corners {
  readonly corners: number;
}
interface Read {
  readonly text: string;
  readonly kind: string;
}

/** The figures behind each problem the core throws, SI by the unit that ends each name: words/ makes its sentence of them. */
export interface ProblemFigures {
  commaUnclear: { readonly text: string; readonly point: string; readonly thousands: string };
  cutoutsTooLarge: { readonly cut_m2: number };
  forecastColumn: { readonly name: string };
  forecastEmpty: None;
  forecastFigure: { readonly name: string; readonly at: string; readonly text: string };
  forecastHole: { readonly at: string; readonly count: number };
  forecastRange: { readonly at: string; readonly name: string };
  forecastTime: { readonly name: string; readonly row: number };
  forecastUnit: { readonly name: string };
  knots: { readonly quantity: string; readonly knots: number };
  lineVanishes: None;
  negative: Read;
  flightEmpty: None;
  noConvergence: { readonly quantity: string };
  noInstant: { readonly quantity: string; readonly value: string };
  noPacks: None;
  noParts: OfSheet;
  noRoot: { readonly quantity: string; readonly least: number; readonly most: number };
  noShot: OfSheet & { readonly mixing_s: number };
  noWater: OfSheet;
  nothingMixed: None;
  nothingToFill: { readonly stays_m3: number };
  operationTwice: { readonly id: string };
  outOfRange: { readonly quantity: string; readonly value: number; readonly least: number; readonly most: number };
  outlineCrosses: Corners;
  outlineTooShort: Corners;
  outlineVanishes: { readonly area_m2: number };
  outsideOutline: { readonly reading: number };
  partsUneven: { readonly parts: number };
  pieceTooLong: { readonly piece: number; readonly length_m: number; readonly stock_m: number };
  radiusTooLarge: { readonly corner: number; readonly side_m: number };
  risersNotHeight: { readonly risers_m: number; readonly height_m: number; readonly off_m: number };
  strengthNotReached: { readonly strength_MPa: number; readonly most: number };
  strengthPoints: { readonly points: number };
  tooFew: { readonly quantity: string; readonly value: number; readonly least: number };
  tooManyTaps: { readonly spacing_m: number; readonly most: number };
  unitMissing: Read;
  unknownAid: Named;
  unknownElement: Named;
  unknownOperation: Named;
  unknownSheet: Named;
  unknownUnit: { readonly kind: string; readonly unit: string; readonly text?: string };
  unreadable: Read;
}

export type ProblemCode = keyof ProblemFigures;
