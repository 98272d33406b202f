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
    ['265/70R17LT 121/118Q', { notation: 'metric', loadIndex: 121, dualLoadIndex: 118, speedSymbol: 'Q' }],
    ['225/65R16C 112/110R', { rimDiameterIn: 16, loadIndex: 112, dualLoadIndex: 110, speedSymbol: 'R' }],
    ['245/40ZR18 (93Y)', { loadIndex: 93, speedSymbol: 'Y' }],
    ['275/35ZR20 (102Y) XL', { loadIndex: 102, speedSymbol: 'Y' }],
    ['HL275/40R21 110W', { nominalWidthMm: 275, loadIndex: 110 }],
    ['225/45R17 94W XL M+S', { loadIndex: 94, speedSymbol: 'W' }],
    ['265/70R17 115T M+S 3PMSF SL', { loadIndex: 115, speedSymbol: 'T' }],
    ['LT235/85R16/E', { nominalWidthMm: 235, aspect: 85 }],
    ['37x12.50R17LT/D', { notation: 'flotation', rimDiameterIn: 17 }],
    ['35x12.50R17LT 121Q E', { notation: 'flotation', loadIndex: 121, speedSymbol: 'Q' }],
    ['T125/70D17', { notation: 'metric', nominalWidthMm: 125, aspect: 70 }],
    ['10-16.5 NHS', { notation: 'numeric', rimDiameterIn: 16.5, nominalWidthMm: 254 }],
    ['11R22.5', { notation: 'numeric', rimDiameterIn: 22.5 }],
    ['4.80/4.00-8', { notation: 'numeric', rimDiameterIn: 8, nominalWidthMm: 4.8 * 25.4 }],
    ['7.50R16LT 8PR', { notation: 'numeric' }],
    ['265/70/17', { notation: 'metric', aspect: 70, rimDiameterIn: 17 }],
    ['35*12.5*17', { notation: 'flotation', rimDiameterIn: 17 }],
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

test.each([
  ['560-15', '5.60-15'],
  ['750R16', '7.50-16'],
  ['600-16', '6.00-16'],
  ['480-8', '4.80-8'],
])('%s is asked for with its point: no tire is that wide', (text, meant) => {
  const result = attempt(() => parseTireSize(text));
  expect(result.ok).toBe(false);
  if (!result.ok) expect(result.problems[0]!.expected).toContain(meant);
});

test.each(['265/70R17 121/118S 110T', '265/70R17 hello', '35x12.50R17LT 121Q 9Z9', '245/40ZR18 (93Y) ?'])(
  'what follows a size is one of the marks, or %p is refused',
  (text) => expect(attempt(() => parseTireSize(text)).ok).toBe(false),
);

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
