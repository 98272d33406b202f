import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { madeCase, madeCorner } from '../../fixtures/made-corner';
import { fallsShort, gradedVerdict, marginWords, needsWords, VERDICTS } from '../../4-clearance/case/standard';
import { evaluateCase } from '../../4-clearance/verdict/evaluate';
import { cornerSpreadOf } from './spread-case';
import { gradedEvaluation } from './graded';

describe('the chance of falling short is part of the grade', () => {
  test('what is more likely than not too close is too close, what may be is close at best', () => {
    expect(gradedVerdict('clear', 0.83)).toBe('tooClose');
    expect(gradedVerdict('clear', 0.2)).toBe('close');
    expect(gradedVerdict('clear', 0.01)).toBe('clear');
    expect(gradedVerdict('close', 0.2)).toBe('close');
    expect(gradedVerdict('clear', null)).toBe('clear');
  });

  test('no chance makes anything better, nor anything known of what is not', () => {
    const rank = { clear: 0, close: 1, tooClose: 2, rubs: 3 } as const;
    fc.assert(
      fc.property(fc.constantFrom(...VERDICTS), fc.double({ min: 0, max: 1, noNaN: true }), (verdict, chance) => {
        const graded = gradedVerdict(verdict, chance);
        if (verdict === 'notKnown' || graded === 'notKnown') expect(graded).toBe(verdict);
        else expect(rank[graded]).toBeGreaterThanOrEqual(rank[verdict]);
        if (fallsShort(verdict)) expect(graded).toBe(verdict);
      }),
    );
  });

  test('in an evaluation it reaches every verdict of the corner, and the low gap’s', () => {
    const lip = (id: string, gapMm: number) => ({
      id,
      mount: 'body' as const,
      material: 'sheetMetal' as const,
      readingsAs: 'points' as const,
      readings: [
        { clock: '12:00', across: 'tread' as const, outboardMm: -130, gapMm, steer: 'straight' as const, travelMm: 0 },
      ],
    });
    // 80 mm of bump and 8 wanted: 4 mm short of it at the first, and by a hair at the second.
    const skipped = ['fender-lip', 'liner', 'frame-rail', 'shock'];
    const described = madeCase({
      corners: { frontLeft: madeCorner({ skipped, obstacles: [lip('near', 88.5), lip('far', 150)] }) },
    });
    const plain = evaluateCase(described);
    expect(plain.obstacles.map(({ verdict }) => verdict)).toEqual(['close', 'clear']);
    const spread = cornerSpreadOf(described, 'frontLeft');
    const graded = gradedEvaluation(plain, spread);
    const [near, far] = spread.obstacles;
    expect(far!.chanceOfRub).toBeLessThan(0.01);
    expect(graded.obstacles.map(({ verdict }) => verdict)).toEqual([
      gradedVerdict('close', near!.chanceOfRub),
      'clear',
    ]);
    expect(graded.lowGap!.verdict).toBe(graded.obstacles[0]!.verdict);
    expect(gradedEvaluation(plain, null)).toBe(plain);
    const certain = { ...spread, obstacles: spread.obstacles.map((one) => ({ ...one, chanceOfRub: 0.83 })) };
    expect(gradedEvaluation(plain, certain).obstacles.map(({ verdict }) => verdict)).toEqual(['tooClose', 'tooClose']);
  });
});

test('a margin is said as what is short or to spare, beside what the gap needs', () => {
  expect([marginWords(-4.7), marginWords(1.3), needsWords(8)]).toEqual([
    'short by 4.7 mm',
    '1.3 mm to spare',
    'needs 8 mm',
  ]);
});
