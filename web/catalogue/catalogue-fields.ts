/** The columns of the catalogue: on screen, in the form and in CSV. */
import type { CatalogueKind } from '@/contracts/catalogue';

/** `length`: mm, typed in any unit; `inches`: a rim dimension; `money`: kept in minor units. */
export type FieldQuantity = 'text' | 'number' | 'length' | 'inches' | 'money';

export interface CatalogueField {
  readonly key: string;
  readonly title: string;
  readonly quantity: FieldQuantity;
  readonly needed?: boolean;
  /** Its name in CSV, where that is not the key. */
  readonly column?: string;
  readonly hint?: string;
}

const field = (
  key: string,
  title: string,
  quantity: FieldQuantity,
  more: Partial<CatalogueField> = {},
): CatalogueField => ({
  key,
  title,
  quantity,
  ...more,
});

export const CATALOGUE_FIELDS: Readonly<Record<CatalogueKind, readonly CatalogueField[]>> = {
  tire: [
    field('size', 'Size', 'text', { needed: true, hint: '285/70R17 or 35x12.50R17LT' }),
    field('label', 'Name', 'text'),
    field('measuredDiameterMm', 'Measured diameter, mm', 'length'),
    field('measuredWidthMm', 'Measured width, mm', 'length'),
    field('kind', 'Made for', 'text', { hint: 'highway, allTerrain or mud' }),
    field('treadWidthMm', 'Tread, edge to edge, mm', 'length'),
    field('shoulder', 'Shoulder', 'text', { hint: 'round, usual or square' }),
    field('shoulderRadiusMm', 'Shoulder radius, mm', 'length'),
    field('lugsMm', 'Lugs beyond the sidewall, mm', 'length'),
    field('rimProtectorMm', 'Rim protector beyond the flange, mm', 'length'),
    field('loadedRadiusMm', 'Hub to ground, loaded, mm', 'length'),
    field('radiusToleranceMm', 'May be taller in radius, mm', 'length'),
    field('sideToleranceMm', 'May be wider a side, mm', 'length'),
    field('growthMm', 'Grows in radius, mm', 'length'),
    field('measuringRimIn', 'Measuring rim, in', 'inches'),
    field('loadIndex', 'Load index', 'number'),
    field('speedSymbol', 'Speed symbol', 'text'),
    field('revolutionsPerKm', 'Revolutions per km', 'number'),
    field('priceMinor', 'Price', 'money', { hint: '189.50, of one', column: 'price' }),
  ],
  wheel: [
    field('diameterIn', 'Diameter, in', 'inches', { needed: true }),
    field('widthIn', 'Width, in', 'inches', { needed: true }),
    field('label', 'Name', 'text'),
    field('offsetMm', 'Offset, mm', 'length'),
    field('backspacingMm', 'Backspacing, mm', 'length'),
    field('boreMm', 'Bore, mm', 'length'),
    field('boltPattern', 'Bolt pattern', 'text', { hint: '6x139.7' }),
    field('studPocketMm', 'Stud pocket depth, mm', 'length'),
    field('insideDiameterMm', 'Inside across, mm', 'length'),
    field('dropCentreInsideMm', 'Inside at the drop center, mm', 'length'),
    field('loadKg', 'Load rating, kg', 'number'),
    field('priceMinor', 'Price', 'money', { hint: '189.50, of one', column: 'price' }),
  ],
  spacer: [
    field('thicknessMm', 'Thickness, mm', 'length', { needed: true }),
    field('label', 'Name', 'text'),
    field('type', 'Type', 'text', { hint: 'slipOn or boltOn' }),
    field('boltPattern', 'Bolt pattern', 'text', { hint: '6x139.7' }),
    field('boreMm', 'Bore, mm', 'length'),
    field('priceMinor', 'Price', 'money', { hint: '45, of one', column: 'price' }),
  ],
};
