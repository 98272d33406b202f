import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { attempt } from '../../1-base/problem';
import { designDiameterMm, sectionWidthMm } from './dimensions';
import { parseTireSize } from './size';

describe('notations', () => {
  test.each([
    ['265/70R17', { notation: 'metric', nominalWidthMm: 265, aspect: 70, rimDiameterIn: 17 }],
    ['  lt265/70 r17 ', { notation: 'metric', nominalWidthMm: 265, aspect: 70 }],
    ['P235/75R15', { notation: 'metric', aspect: 75, rimDiameterIn: 15 }],
    ['225/45ZR17 94W', { notation: 'metric', loadIndex: 94, speedSymbol: 'W' }],
    ['LT315/70R17 121/118S', { notation: 'metric', loadIndex: 121, speedSymbol: 'S' }],
    ['235/65R16C', { notation: 'metric', rimDiameterIn: 16 }],
    ['205/50-10', { notation: 'metric', rimDiameterIn: 10 }],
    ['195R14C', { notation: 'metric', aspect: 80, heightIsEstimated: true }],
    ['35x12.50R17LT', { notation: 'flotation', printedDiameterMm: 889, nominalWidthMm: 317.5 }],
    ['37 X 12.50 R17', { notation: 'flotation', rimDiameterIn: 17 }],
    ['31x10.50-15', { notation: 'flotation', rimDiameterIn: 15 }],
    ['18x8.50-8', { notation: 'flotation', rimDiameterIn: 8 }],
    ['AT25x8-12', { notation: 'flotation', rimDiameterIn: 12 }],
    ['35x12,50R17', { notation: 'flotation', nominalWidthMm: 317.5 }],
    ['7.50R16LT', { notation: 'numeric', nominalWidthMm: 190.5, heightIsEstimated: true }],
    ['4.80-8', { notation: 'numeric', rimDiameterIn: 8 }],
  ])('%s', (text, expected) => {
    expect(parseTireSize(text)).toMatchObject(expected);
  });

  test.each(['', 'big ones', '265/70', '26570R17', '265/70R17R17', '35x12.50', 'x12R17', '265/70R99', '995/70R17'])(
    'refuses %p and says what it found',
    (text) => {
      const result = attempt(() => parseTireSize(text, 'setup.tire.size'));
      expect(result).toMatchObject({ ok: false, problems: [{ path: 'setup.tire.size' }] });
      if (!result.ok) expect(result.problems[0]?.found).toBe(text === '' ? 'nothing' : text);
    },
  );
});

test('any text either reads as a real tire or is refused as data', () => {
  const piece = fc.constantFrom('2', '65', '/', '70', 'R', '17', 'x', '12.5', '-', ' ', 'LT', '35', '0', 'Z', '.', '8');
  fc.assert(
    fc.property(fc.array(piece, { maxLength: 9 }), (pieces) => {
      const result = attempt(() => parseTireSize(pieces.join('')));
      if (!result.ok) return;
      expect(designDiameterMm(result.value)).toBeGreaterThan(result.value.rimDiameterIn * 25.4);
      expect(Number.isFinite(sectionWidthMm(result.value, 8))).toBe(true);
    }),
    { numRuns: 2000 },
  );
});
