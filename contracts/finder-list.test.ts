import { describe, expect, test } from '@jest/globals';
import { tireItemSchema, wheelItemSchema } from './catalogue';
import { tireChoiceSchema, wheelChoiceSchema } from './finder';

describe('a line of the catalog becomes a choice of the finder with all that it says', () => {
  test('of a tire', () => {
    const { revolutionsPerKm: _, ...tire } = tireItemSchema.parse({
      size: '35x12.50R17LT',
      kind: 'mud',
      treadWidthMm: 259,
      shoulder: 'square',
      lugsMm: 4,
      radiusToleranceMm: 3,
      sideToleranceMm: 2,
      growthMm: 1,
      loadIndex: 121,
    });
    expect(tireChoiceSchema.parse(tire)).toEqual(tire);
  });

  test('of a wheel', () => {
    const wheel = wheelItemSchema.parse({
      diameterIn: 17,
      widthIn: 8,
      offsetMm: 20,
      insideDiameterMm: 398,
      dropCentreInsideMm: 372,
      boltPattern: '6x5.5',
    });
    expect(wheelChoiceSchema.parse(wheel)).toEqual(wheel);
  });
});
