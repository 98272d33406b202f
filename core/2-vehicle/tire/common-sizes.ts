import { designDiameterMm, designRimIn, sectionWidthMm } from './dimensions';
import { ROLLING } from './rolling';
import { parseTireSize } from './size';

/** A size in standard notation with its design dimensions. */
export interface CommonSize {
  readonly size: string;
  readonly rimDiameterIn: number;
  readonly diameterMm: number;
  /** On its measuring rim. */
  readonly widthMm: number;
  readonly measuringRimIn: number;
  readonly revolutionsPerKm: number;
}

/** mm: section heights that tires of each rim are made in, about; working values of this project. */
const HEIGHT_MM = { least: 70, most: 230 } as const;

/** mm: overall diameters by rim, from a low car tire to a tall truck one; working values of this project. */
const overall = (rimIn: number): readonly [least: number, most: number] => [25.4 * rimIn + 140, 25.4 * rimIn + 460];

const range = (from: number, to: number, step: number): number[] =>
  Array.from({ length: Math.floor((to - from) / step) + 1 }, (_, i) => from + i * step);

/** Flotation and small-cart sizes: overall x width by rims, inches. */
const PRINTED: readonly (readonly [
  diameters: readonly number[],
  widths: readonly string[],
  rims: readonly number[],
  suffix: string,
])[] = [
  [range(29, 31, 1), ['9.50', '10.50'], [15, 16], 'LT'],
  [[32, 33], ['9.50', '10.50', '11.50', '12.50'], [15, 16, 17, 18], 'LT'],
  [range(34, 35, 1), ['10.50', '11.50', '12.50'], [15, 16, 17, 18, 20], 'LT'],
  [range(36, 40, 1), ['12.50', '13.50', '14.50'], [15, 16, 17, 18, 20, 22], 'LT'],
  [[16, 18, 20], ['6.50', '8.50', '10.00'], [8, 10], ''],
  [[22, 23, 24, 25], ['8.00', '10.00', '10.50', '11.00'], [10, 12, 14], ''],
];

function describe(size: string): CommonSize {
  const parsed = parseTireSize(size);
  const measuringRimIn = designRimIn(parsed);
  const diameterMm = designDiameterMm(parsed);
  return {
    size,
    rimDiameterIn: parsed.rimDiameterIn,
    diameterMm,
    widthMm: sectionWidthMm(parsed, measuringRimIn),
    measuringRimIn,
    revolutionsPerKm: 1e6 / (ROLLING * diameterMm),
  };
}

/**
 * Sizes in use, generated: metric ones whose section and overall height some tire of that rim has, flotation and small-cart
 * ones as printed. Not every one of them is made; it is a table to start from. By rim, then diameter.
 */
export function commonSizes(): CommonSize[] {
  const metric = range(12, 24, 1).flatMap((rim) =>
    range(125, 355, 10).flatMap((width) =>
      range(25, 85, 5).flatMap((aspect) => {
        const height = (width * aspect) / 100;
        const [least, most] = overall(rim);
        const diameter = 25.4 * rim + 2 * height;
        const made = height >= HEIGHT_MM.least && height <= HEIGHT_MM.most && diameter >= least && diameter <= most;
        return made ? [`${width}/${aspect}R${rim}`] : [];
      }),
    ),
  );
  const printed = PRINTED.flatMap(([diameters, widths, rims, suffix]) =>
    diameters.flatMap((diameter) =>
      widths.flatMap((width) =>
        rims.map((rim) => (suffix === '' ? `${diameter}x${width}-${rim}` : `${diameter}x${width}R${rim}${suffix}`)),
      ),
    ),
  );
  return [...metric, ...printed]
    .map(describe)
    .sort((a, b) => a.rimDiameterIn - b.rimDiameterIn || a.diameterMm - b.diameterMm || a.size.localeCompare(b.size));
}
