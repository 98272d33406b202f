import { ProblemError } from '../../1-base/problem';

/** Load (kg) by load index from 60 on, ISO 4000-1 (values from memory; 91 = 615, 100 = 800, 121 = 1450). */
const LOADS_KG = [
  250, 257, 265, 272, 280, 290, 300, 307, 315, 325, 335, 345, 355, 365, 375, 387, 400, 412, 425, 437, 450, 462, 475,
  487, 500, 515, 530, 545, 560, 580, 600, 615, 630, 650, 670, 690, 710, 730, 750, 775, 800, 825, 850, 875, 900, 925,
  950, 975, 1000, 1030, 1060, 1090, 1120, 1150, 1180, 1215, 1250, 1285, 1320, 1360, 1400, 1450, 1500, 1550, 1600, 1650,
  1700, 1750, 1800, 1850, 1900, 1950, 2000, 2060, 2120, 2180, 2240, 2300, 2360, 2430, 2500,
] as const;
const FIRST_INDEX = 60;

/** Speed (km/h) by speed symbol, UN R30 and R54 (values from memory). */
const SPEEDS_KMH = {
  A1: 5,
  A2: 10,
  A3: 15,
  A4: 20,
  A5: 25,
  A6: 30,
  A7: 35,
  A8: 40,
  B: 50,
  C: 60,
  D: 65,
  E: 70,
  F: 80,
  G: 90,
  J: 100,
  K: 110,
  L: 120,
  M: 130,
  N: 140,
  P: 150,
  Q: 160,
  R: 170,
  S: 180,
  T: 190,
  U: 200,
  H: 210,
  V: 240,
  W: 270,
  Y: 300,
} as const;
export type SpeedSymbol = keyof typeof SPEEDS_KMH;
export const SPEED_SYMBOLS = Object.keys(SPEEDS_KMH) as readonly SpeedSymbol[];

/** Load one tire of that index carries, kg. @throws ProblemError outside 60 to 140. */
export function loadOfIndexKg(index: number, path = 'loadIndex'): number {
  const found = LOADS_KG[index - FIRST_INDEX];
  if (found !== undefined) return found;
  throw new ProblemError({
    code: 'outOfRange',
    path,
    expected: `a load index from ${FIRST_INDEX} to ${FIRST_INDEX + LOADS_KG.length - 1}`,
    found: String(index),
  });
}

/** Least load index whose tire carries `loadKg`. @throws ProblemError for more than any carries. */
export function indexForLoad(loadKg: number, path = 'loadKg'): number {
  const found = LOADS_KG.findIndex((kg) => kg >= loadKg);
  if (found >= 0 && loadKg > 0) return FIRST_INDEX + found;
  throw new ProblemError({
    code: 'outOfRange',
    path,
    expected: `a load on one tire, up to ${LOADS_KG.at(-1)} kg`,
    found: `${loadKg} kg`,
  });
}

/** Highest speed of a symbol, km/h. */
export const speedOfSymbolKmh = (symbol: SpeedSymbol): number => SPEEDS_KMH[symbol];

/** Speed from which fast tires carry less, km/h, and the share of their load left at the symbol's own speed (UN R30, from memory). */
const LESS_FROM: Readonly<Partial<Record<SpeedSymbol, { readonly fromKmh: number; readonly shareAtTop: number }>>> = {
  V: { fromKmh: 210, shareAtTop: 0.91 },
  W: { fromKmh: 240, shareAtTop: 0.85 },
  Y: { fromKmh: 270, shareAtTop: 0.85 },
};

/**
 * Share of its index's load that a tire carries at a speed: all of it, but less above 210, 240 and 270 km/h for V, W and Y, in a straight line
 * to the symbol's own speed. null: faster than the symbol allows.
 */
export function loadShareAt(symbol: SpeedSymbol, kmh: number): number | null {
  const top = speedOfSymbolKmh(symbol);
  if (kmh > top) return null;
  const less = LESS_FROM[symbol];
  if (!less || kmh <= less.fromKmh) return 1;
  return 1 - ((1 - less.shareAtTop) * (kmh - less.fromKmh)) / (top - less.fromKmh);
}
