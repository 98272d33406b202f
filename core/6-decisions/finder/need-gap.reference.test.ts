import { madeCorner, madeCase } from '../../fixtures/made-corner';
import { describe, expect, test } from '@jest/globals';
import { type CaseDescription } from '../../4-clearance/case/case-description';
import { fittedAsSetup } from '../../2-vehicle/setup/setup';
import { prepareDescribed } from '../../4-clearance/case/described-corner';
import { plainSweep } from '../../4-clearance/oracle/plain-sweep';
import { STANDARDS } from '../../4-clearance/case/standard';
import { needGapCard } from './need-gap';

/** A straight axle end that does not steer: gaps are differences of lengths. */
const trailer: CaseDescription = madeCase({
  corners: {
    rearLeft: madeCorner({
      travel: { bumpMm: 60, droopMm: 80 },
      fitted: { tire: { size: '265/70R17' }, wheel: { diameterIn: 17, widthIn: 8, offsetMm: 20 }, spacerMm: 0 },
    }),
  },
});

describe('needed gaps', () => {
  test('above the tire: half the growth, all of the bump, and the room that is wanted', () => {
    // 285/70R17 is 28 mm taller than 265/70R17: 14 mm in radius; 60 mm of bump; 8 mm wanted to metal.
    const setup = { ...fittedAsSetup(trailer.corners.rearLeft!.fitted), tire: { size: '285/70R17' } };
    const card = needGapCard({ ...trailer, setup }, 'rearLeft', 'sheetMetal');
    const above = card.needs.find((n) => n.clock === '12:00' && n.across === 'tread' && n.posture === 'straight')!;
    expect(above.needMm!).toBeGreaterThanOrEqual(82 - 0.1);
    expect(above.needMm!).toBeLessThan(82 + 0.4);
    // The fitted tire itself needs 68 there.
    expect(above.moreMm!).toBeCloseTo(14, 0);
    const onStop = card.needs.find((n) => n.clock === '12:00' && n.across === 'tread' && n.posture === 'bump')!;
    expect(onStop.needMm!).toBeCloseTo(22, 0);
  });

  test('beside the tire: the sidewall comes out by half the growth of width and the change of offset', () => {
    // On the same rim 285/70R17 is 20 - 0.4 x 0.7 x 20 = 14.4 mm wider; offset 20 to 5 brings it 15 mm out.
    const setup = {
      ...fittedAsSetup(trailer.corners.rearLeft!.fitted),
      tire: { size: '285/70R17' },
      wheel: { diameterIn: 17, widthIn: 8, offsetMm: 5 },
    };
    const card = needGapCard({ ...trailer, setup }, 'rearLeft', 'sheetMetal');
    const out = card.needs.find((n) => n.clock === '3:00' && n.across === 'outerSidewall' && n.posture === 'straight')!;
    const inner = card.needs.find(
      (n) => n.clock === '3:00' && n.across === 'innerSidewall' && n.posture === 'straight',
    )!;
    expect(out.needMm!).toBeCloseTo(7.2 + 15 + 8, 0);
    expect(inner.needMm!).toBeCloseTo(Math.max(0, 7.2 - 15 + 8), 0);
  });

  test('a thing at just the needed gap leaves just what is wanted; nearer, it does not; sticks hold all along', () => {
    const setup = {
      ...fittedAsSetup(trailer.corners.rearLeft!.fitted),
      tire: { size: '33x12.50R17LT' },
      wheel: { diameterIn: 17, widthIn: 9, offsetMm: -6 },
    };
    const description = { ...trailer, setup };
    const card = needGapCard(description, 'rearLeft', 'plastic');
    const some = card.needs.filter(({ needMm }) => needMm !== null && needMm > 3);
    expect(some.length).toBeGreaterThan(20);
    for (const { clock, across, posture, needMm } of some.filter((_, i) => i % 7 === 0)) {
      const marginAt = (gapMm: number): number => {
        const travelMm = posture === 'bump' ? 60 : 0;
        const readings = [{ clock, across, gapMm, steer: 'straight' as const, travelMm }];
        const corner = {
          ...trailer.corners.rearLeft!,
          obstacles: [{ id: 'poke', mount: 'body' as const, material: 'plastic' as const, readings }],
        };
        const prepared = prepareDescribed({ ...description, corners: { rearLeft: corner } }, 'rearLeft');
        return plainSweep(prepared)[0]!.gapMm - STANDARDS.neverRub.requiredMm.plastic;
      };
      expect({ clock, across, posture, margin: marginAt(needMm!) > -0.3 }).toMatchObject({ margin: true });
      expect({ clock, across, posture, nearer: marginAt(needMm! - 1.5) < 0 }).toMatchObject({ nearer: true });
    }
    for (const { across, posture, lengthMm } of card.sticks) {
      const along = card.needs.filter((n) => n.across === across && n.posture === posture);
      expect(Math.max(...along.map(({ needMm }) => needMm!))).toBe(lengthMm);
    }
  });
});
