import { FITTED, LEANING_AXIS, madeCase, madeCorner } from '../../fixtures/made-corner';
import { describe, expect, test } from '@jest/globals';
import { type CaseDescription } from '../../4-clearance/case/case-description';
import { fittedAsSetup } from '../../2-vehicle/setup/setup';
import type { CornerDescription } from '../../3-survey/description/corner-description';
import { evaluateCase } from '../../4-clearance/verdict/evaluate';
import type { MotionDescription } from '../../2-vehicle/motion/motion-description';
import { LEVERS } from './lever-kinds';
import { leversCase, type Lever, type ObstacleLevers } from './levers';

const corner = (motion: MotionDescription): CornerDescription =>
  madeCorner({
    motion,
    steering: LEANING_AXIS,
    staticCamberDeg: -0.3,
    staticToeDeg: 0.1,
    travel: { bumpMm: 90, droopMm: 100 },
    fitted: FITTED,
    obstacles: [
      {
        id: 'lip',
        mount: 'body',
        material: 'sheetMetal',
        shape: {
          type: 'polyline',
          points: [
            [-330, 90, 395],
            [-30, 96, 505],
            [260, 92, 430],
          ],
        },
      },
      { id: 'mount', mount: 'frame', material: 'bodyMount', shape: { type: 'points', points: [[-395, -95, -150]] } },
      {
        id: 'rail',
        mount: 'frame',
        material: 'frame',
        shape: {
          type: 'capsule',
          points: [
            [-350, -345, 60],
            [300, -330, 90],
          ],
          radiusMm: 15,
        },
      },
      {
        id: 'flap',
        mount: 'body',
        material: 'plastic',
        removable: true,
        shape: { type: 'points', points: [[-430, 20, -60]] },
      },
    ],
  });

const MOTIONS: [string, MotionDescription][] = [
  ['swing arm', { type: 'swingArm', frontView: { y: -900, z: -40 }, sideView: { x: -1500, z: 60 } }],
  ['double wishbone', { type: 'doubleWishbone', tape: { lowerArmMm: 380 } }],
  ['beam axle', { type: 'beamAxle', hubSpacingMm: 1500, points: { linkPivot: [-900, 0, 60] } }],
];

const caseOf = (motion: MotionDescription): CaseDescription =>
  madeCase({
    corners: { frontLeft: corner(motion) },
    setup: {
      ...fittedAsSetup(FITTED),
      tire: { size: '285/75R17' },
      wheel: { diameterIn: 17, widthIn: 8.5, offsetMm: 8 },
    },
    standard: 'cutToFit',
  });

const marginsWith = (description: CaseDescription, { kind, amount }: Pick<Lever, 'kind' | 'amount'>) => {
  const setup = LEVERS[kind].apply(description.setup!, amount, description.corners.frontLeft!);
  return new Map(evaluateCase({ ...description, setup }).obstacles.map((o) => [o.id, o.marginMm]));
};

const leverOf = ({ levers }: ObstacleLevers, kind: Lever['kind']): Lever => levers.find((l) => l.kind === kind)!;

describe.each(MOTIONS)('%s', (name, motion) => {
  const description = caseOf(motion);
  const before = new Map(evaluateCase(description).obstacles.map((o) => [o.id, o.marginMm]));
  const found = leversCase(description);

  test('each failing obstacle and no other is given levers', () => {
    const failing = [...before].filter(([, margin]) => margin < 0).map(([id]) => id);
    expect(found.map(({ id }) => id)).toEqual(failing);
    expect(failing.length).toBeGreaterThan(1);
  });

  test('what is said to clear an obstacle, tried, leaves just what is wanted, and upsets what it says', () => {
    let clearing = 0;
    for (const { id, levers } of found) {
      for (const lever of levers.filter(({ outcome }) => outcome === 'clears')) {
        clearing++;
        const after = marginsWith(description, lever);
        const where = { name, id, kind: lever.kind };
        expect({ ...where, enough: after.get(id)! >= -0.12 }).toEqual({ ...where, enough: true });
        // Another rim may step over the mark; everything else stops at it.
        expect({ ...where, over: after.get(id)! > 0.25 ? after.get(id) : 'no' }).toEqual({ ...where, over: 'no' });
        const upset = [...after].filter(
          ([other, margin]) =>
            other !== id && margin < -0.12 && margin < before.get(other)! - 0.25 - 0.08 * Math.abs(margin),
        );
        expect(lever.upsets.map((u) => u.id)).toEqual(expect.arrayContaining(upset.map(([other]) => other)));
        for (const { id: other, afterMm } of lever.upsets) {
          expect(Math.abs(afterMm - after.get(other)!)).toBeLessThan(0.25 + 0.05 * Math.abs(afterMm));
        }
      }
    }
    expect(clearing).toBeGreaterThan(7);
  });

  test('less than the amount is not enough, and what never clears does not at any amount looked at', () => {
    for (const { id, levers } of found) {
      for (const lever of levers) {
        if (lever.outcome === 'clears') {
          const less = marginsWith(description, { kind: lever.kind, amount: lever.amount * 0.9 });
          expect(less.get(id)!).toBeLessThan(0.2);
          continue;
        }
        const { most } = LEVERS[lever.kind];
        for (const share of name === 'beam axle' ? [0.5] : [0.23, 0.77]) {
          try {
            expect(marginsWith(description, { kind: lever.kind, amount: share * most }).get(id)!).toBeLessThan(0.2);
          } catch (error) {
            // Not every amount can be had: the wheel would hang beyond its stops.
            if (!(error instanceof Error) || error.name !== 'ProblemError') throw error;
          }
        }
      }
    }
  });
});

describe('directions', () => {
  const found = leversCase(caseOf(MOTIONS[0]![1]));
  const of = (id: string): ObstacleLevers => found.find((o) => o.id === id)!;

  // Common practice, no source: springs move the parked height; at full bump the wheel arrives where it always did.
  test('a lift on the spring alone does nothing over everything the stops allow', () => {
    for (const obstacle of found) expect(leverOf(obstacle, 'springLift').outcome).toBe('nothing');
  });

  // Common practice, no source: more positive offset tucks in.
  test('more offset helps the lip outboard; a smaller tire helps everything', () => {
    for (const obstacle of found) expect(['clears', 'helps']).toContain(leverOf(obstacle, 'diameterLess').outcome);
    expect(['clears', 'helps']).toContain(leverOf(of('lip'), 'offsetMore').outcome);
    expect(leverOf(of('lip'), 'bumpStop').outcome).toBe('clears');
  });

  test('a body lift moves the lip and not the body mount on the frame', () => {
    expect(leverOf(of('lip'), 'bodyLift').outcome).toBe('clears');
    expect(leverOf(of('mount'), 'bodyLift').outcome).toBe('nothing');
  });

  test('a trim is as deep as what is short, where the standard lets metal be cut; what comes off is named', () => {
    expect(of('lip').trimMm).toBeCloseTo(-of('lip').marginMm, 9);
    const kept = leversCase({ ...caseOf(MOTIONS[0]![1]), standard: 'neverRub' });
    expect(kept.find(({ id }) => id === 'lip')!.trimMm).toBeNull();
    expect(of('flap').unbolts).toBe(true);
    expect(of('lip').unbolts).toBe(false);
  });
});
