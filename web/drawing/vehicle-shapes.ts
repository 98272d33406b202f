import type { VehicleKind } from '@/core/2-vehicle/setup/vehicle-kind';

/**
 * An invented vehicle of a kind from the side, front to the right: mm from the rear axle along it, mm above the ground. Drawn to be
 * recognized as its kind and as no make.
 */
export interface VehicleShape {
  readonly wheelbaseMm: number;
  readonly tireRadiusMm: number;
  readonly archRadiusMm: number;
  /** Where the body ends below. */
  readonly sillMm: number;
  /** The body's upper edge from its rear foot to its front foot. */
  readonly body: readonly (readonly [number, number])[];
  /** Side windows, or what stands for them. */
  readonly glass: readonly (readonly (readonly [number, number])[])[];
  /** Posts and roof of what has no cab. */
  readonly posts?: readonly (readonly [number, number])[];
  /** Across, mm. */
  readonly widthMm: number;
}

export const VEHICLE_SHAPES: Readonly<Record<VehicleKind, VehicleShape>> = {
  pickup: {
    wheelbaseMm: 3600,
    tireRadiusMm: 400,
    archRadiusMm: 490,
    sillMm: 560,
    body: [
      [-1080, 560],
      [-1080, 1160],
      [960, 1190],
      [1080, 1800],
      [1220, 1880],
      [2160, 1880],
      [2330, 1830],
      [2860, 1270],
      [4280, 1190],
      [4460, 1060],
      [4490, 560],
    ],
    glass: [
      [
        [1150, 1250],
        [1230, 1760],
        [1640, 1770],
        [1640, 1260],
      ],
      [
        [1740, 1260],
        [1740, 1770],
        [2200, 1770],
        [2640, 1270],
      ],
    ],
    widthMm: 1950,
  },
  wagon: {
    wheelbaseMm: 2850,
    tireRadiusMm: 390,
    archRadiusMm: 480,
    sillMm: 540,
    body: [
      [-880, 540],
      [-920, 1150],
      [-760, 1800],
      [-620, 1870],
      [1850, 1880],
      [2010, 1830],
      [2500, 1270],
      [3480, 1180],
      [3650, 1040],
      [3680, 540],
    ],
    glass: [
      [
        [-720, 1260],
        [-620, 1740],
        [480, 1760],
        [480, 1260],
      ],
      [
        [580, 1260],
        [580, 1760],
        [1840, 1760],
        [2290, 1270],
      ],
    ],
    widthMm: 1880,
  },
  coupe: {
    wheelbaseMm: 2620,
    tireRadiusMm: 315,
    archRadiusMm: 375,
    sillMm: 300,
    body: [
      [-860, 300],
      [-900, 860],
      [-620, 940],
      [60, 1330],
      [560, 1400],
      [1060, 1370],
      [1820, 960],
      [3180, 850],
      [3420, 700],
      [3460, 300],
    ],
    glass: [
      [
        [-100, 980],
        [220, 1260],
        [720, 1310],
        [720, 970],
      ],
      [
        [810, 970],
        [810, 1310],
        [1020, 1290],
        [1600, 960],
      ],
    ],
    widthMm: 1800,
  },
  van: {
    wheelbaseMm: 3250,
    tireRadiusMm: 350,
    archRadiusMm: 430,
    sillMm: 440,
    body: [
      [-1020, 440],
      [-1050, 1900],
      [-930, 2060],
      [2420, 2070],
      [2700, 1980],
      [3350, 1300],
      [3930, 1130],
      [4080, 940],
      [4100, 440],
    ],
    glass: [
      [
        [1640, 1330],
        [1640, 1860],
        [2520, 1860],
        [3000, 1330],
      ],
    ],
    widthMm: 2000,
  },
  cart: {
    wheelbaseMm: 1700,
    tireRadiusMm: 230,
    archRadiusMm: 290,
    sillMm: 280,
    body: [
      [-440, 280],
      [-460, 830],
      [330, 830],
      [400, 480],
      [1080, 450],
      [1290, 820],
      [1820, 720],
      [2060, 500],
      [2080, 280],
    ],
    glass: [],
    posts: [
      [-380, 830],
      [-330, 1720],
      [-200, 1790],
      [1130, 1810],
      [1290, 830],
      [1220, 830],
      [1080, 1730],
      [-240, 1710],
      [-300, 830],
    ],
    widthMm: 1250,
  },
};

type Place = readonly [number, number];
const at = ([x, y]: Place): string => `${x} ${-y}`;

/** Outline of the body with its two arches as an SVG path; y down, ground at 0. */
export function bodyPath({ body, sillMm, archRadiusMm, wheelbaseMm, tireRadiusMm }: VehicleShape): string {
  const first = body[0]!;
  const last = body.at(-1)!;
  // Where an arch about the hub meets the sill.
  const half = Math.sqrt(Math.max(0, archRadiusMm ** 2 - (sillMm - tireRadiusMm) ** 2));
  const isLarge = sillMm < tireRadiusMm ? 1 : 0;
  const arch = (x: number): string =>
    `L${at([x + half, sillMm])}A${archRadiusMm} ${archRadiusMm} 0 ${isLarge} 0 ${at([x - half, sillMm])}`;
  return `M${[first, ...body.slice(1), last].map(at).join('L')}${arch(wheelbaseMm)}${arch(0)}Z`;
}

export const glassPath = ({ glass }: VehicleShape): string =>
  glass.map((pane) => `M${pane.map(at).join('L')}Z`).join('');

export const postsPath = ({ posts }: VehicleShape): string => (posts ? `M${posts.map(at).join('L')}Z` : '');

/** mm that the drawing takes: x, y, width, height of a view box. */
export function shapeBox({
  body,
  posts = [],
  tireRadiusMm,
  wheelbaseMm,
}: VehicleShape): readonly [number, number, number, number] {
  const all = [...body, ...posts];
  const xs = [...all.map(([x]) => x), -tireRadiusMm, wheelbaseMm + tireRadiusMm];
  const top = Math.max(...all.map(([, y]) => y));
  const [least, most] = [Math.min(...xs), Math.max(...xs)];
  return [least - MARGIN_MM, -top - MARGIN_MM, most - least + 2 * MARGIN_MM, top + 2 * MARGIN_MM];
}

const MARGIN_MM = 60;
