import { describe, expect, test } from '@jest/globals';
import type { CaseDescription } from '../../4-clearance/case/case-description';
import { prepareDescribed } from '../../4-clearance/case/described-corner';
import { evaluateCase } from '../../4-clearance/verdict/evaluate';
import { FITTED, LEANING_AXIS, madeCase, madeCorner, SWINGING } from '../../fixtures/made-corner';
import { fittedAsSetup } from '../../2-vehicle/setup/setup';
import type { Learned, ObstacleDescription } from '../../3-survey/description/obstacle-description';
import type { ReadingDescription } from '../../3-survey/reading/reading';
import { panelCase } from './panel-case';

const LIP: Pick<ObstacleDescription, 'id' | 'mount' | 'material'> = {
  id: 'lip',
  mount: 'body',
  material: 'sheetMetal',
};

const readings: ReadingDescription[] = (
  [
    ['10:00', 52],
    ['11:00', 44],
    ['12:00', 40],
    ['1:00', 46],
    ['2:00', 57],
  ] as const
).map(([clock, gapMm]) => ({ clock, across: 'tread', gapMm, outboardMm: -20, steer: 'straight', travelMm: 0 }));

const KINDS: [string, Partial<ObstacleDescription>][] = [
  ['an edge of readings', { readings, readingsAs: 'polyline' }],
  ['readings fitted to an arch', { readings, readingsAs: 'arch' }],
  [
    'a panel by positions',
    {
      shape: {
        type: 'panel',
        points: [
          [-150, 90, 452],
          [150, 90, 452],
          [150, 92, 490],
          [-150, 92, 490],
        ],
        triangles: [
          [0, 1, 2],
          [0, 2, 3],
        ],
      },
    },
  ],
];

const caseOf = (more: Partial<ObstacleDescription>, learned?: Learned): CaseDescription =>
  madeCase({
    corners: {
      frontLeft: madeCorner({
        motion: SWINGING,
        steering: LEANING_AXIS,
        travel: { bumpMm: 60, droopMm: 70 },
        obstacles: [{ ...LIP, ...more, ...(learned ? { learned } : {}) }],
      }),
    },
    setup: { ...fittedAsSetup(FITTED), tire: { size: '35x12.50R17LT' } },
    standard: 'cutToFit',
  });

const marginOnSheet = (description: CaseDescription): number =>
  Math.min(...panelCase(description, 'frontLeft', 'lip', { depthMm: 25 }).field.marginsMm);

describe('the sheet that is cut lies where the verdict says the thing is', () => {
  test.each(KINDS)('%s: least margin on the sheet is the verdict’s, before and after a test fit', (_, more) => {
    for (const learned of [undefined, { shiftMm: [3, -4, 15] } as const]) {
      const description = caseOf(more, learned);
      const verdict = evaluateCase(description).lowGap!.mm;
      // The sheet's own points may stand up to half a step from where the edge is nearest.
      expect(marginOnSheet(description)).toBeGreaterThan(verdict - 0.25);
      expect(marginOnSheet(description)).toBeLessThan(verdict + 1);
    }
  });

  test('fifteen millimeters up, learned, lift the sheet and its cut by as much', () => {
    const [before, after] = [undefined, { shiftMm: [0, 0, 15] } as const].map(
      (learned) => panelCase(caseOf(KINDS[0]![1], learned), 'frontLeft', 'lip', { depthMm: 25 }).field.points[2]!,
    );
    expect(after![2] - before![2]).toBeCloseTo(15, 9);
    const cut = (learned?: Learned) =>
      panelCase(caseOf(KINDS[0]![1], learned), 'frontLeft', 'lip', { depthMm: 80 }).cut.areaMm2;
    expect(cut({ shiftMm: [0, 0, 15] })).toBeLessThan(0.8 * cut());
  });

  test('a sheet made from an edge reaches as far back as the line runs, unless somebody says how far', () => {
    const well = caseOf(KINDS[0]![1]);
    const tall = { ...well, setup: { ...well.setup!, tire: { size: '40x13.50R17LT' } } };
    const { cut } = panelCase(tall, 'frontLeft', 'lip');
    expect(cut.depthMm).toBeGreaterThan(80);
    expect(cut.left.triangles.length).toBeGreaterThan(0);
    expect(panelCase(tall, 'frontLeft', 'lip', { depthMm: 40 }).cut.depthMm).toBeLessThan(41);
  });

  test('what was learned of an edge’s own numbers moves its sheet too', () => {
    const { edge } = prepareDescribed(caseOf(KINDS[1]![1]), 'frontLeft').obstacles[0]!;
    const edgeBy = Array.from(edge!.fit.q, (_, k) => (k === 0 ? -12 : 0));
    const flatter = caseOf(KINDS[1]![1], { shiftMm: [0, 0, 0], edgeBy });
    expect(marginOnSheet(flatter)).toBeLessThan(evaluateCase(flatter).lowGap!.mm + 1);
    expect(marginOnSheet(flatter)).not.toBeCloseTo(marginOnSheet(caseOf(KINDS[1]![1])), 0);
    // Learned of an edge told by other numbers, as in an older job: it says nothing of this one.
    const older = caseOf(KINDS[1]![1], { shiftMm: [0, 0, 0], edgeBy: [-12, 0, 0] });
    expect(marginOnSheet(older)).toBeCloseTo(marginOnSheet(caseOf(KINDS[1]![1])), 9);
  });
});
