import { designDiameterMm, designRimIn, sectionWidthMm } from './dimensions';
import { madeSizes } from './made-sizes';
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

/** Sizes that are made, with their design dimensions. By rim, then diameter. */
export const commonSizes = (): CommonSize[] =>
  madeSizes()
    .map(describe)
    .sort((a, b) => a.rimDiameterIn - b.rimDiameterIn || a.diameterMm - b.diameterMm || a.size.localeCompare(b.size));
