import { describe, expect, test } from '@jest/globals';
import { fittedSetup } from '../../2-vehicle/setup/setup';
import { prepareCorner } from '../../4-clearance/case/prepared-corner';
import { prepareRotor, solidDistance } from '../../2-vehicle/setup/rotor';
import { MOTIONS, scattered } from '../../fixtures/scattered-corner';
import { SectionCache } from '../../4-clearance/search/section-cache';
import { STANDARDS } from '../../4-clearance/case/standard';
import { seededRandom } from '../../1-base/numeric/seeded-random';
import { Mounted } from './mounted';
import { sectionDiscs } from './section-discs';
import { Stage, TABLE_OVER_MM, TABLE_UNDER_MM } from './stage';

const SIZES = ['265/70R17', '225/45R17', '205/40R17', '35x12.50R17LT'];

describe('discs that stand for a section', () => {
  test.each(SIZES)('%s: distance to the discs is the distance to the outline, inside as outside', (size) => {
    const rotor = prepareRotor(
      { tire: { size }, wheel: { diameterIn: 17, widthIn: 8.5, offsetMm: 0 }, spacerMm: 0 },
      '',
    );
    const discs = sectionDiscs(rotor.filled.outline);
    const random = seededRandom(size.length);
    for (let n = 0; n < 1500; n++) {
      const a = 560 * (random() - 0.5);
      const r = 540 * random();
      const truth = solidDistance(rotor.filled, a, r);
      // Deeper than 25 mm overlaps are told apart from no limit.
      if (truth < -25) continue;
      let byDiscs = Infinity;
      for (let k = 0; k < discs.length; k += 3) {
        byDiscs = Math.min(byDiscs, Math.hypot(a - discs[k]!, r - discs[k + 1]!) - discs[k + 2]!);
      }
      // Discs lie inside: never nearer than the section by more than they were fitted to.
      expect(byDiscs).toBeGreaterThan(truth - 0.1);
      expect(byDiscs).toBeLessThan(truth + 1.3);
    }
  });
});

describe('the table of margins against the exact search, seeded', () => {
  test.each(Object.keys(MOTIONS))('%s: within what the search allows for', (name) => {
    let compared = 0;
    for (const seed of [1, 4, 6]) {
      const described = scattered(seededRandom(900 * seed + name.length), name, 6, 3);
      const setup = fittedSetup(described.fitted);
      const cache = new SectionCache();
      const kind = seed === 1 ? 'trail' : 'street';
      const prepared = prepareCorner('frontLeft', described, setup, kind, undefined, cache.survey);
      const section = cache.section(prepared, described, setup);
      const members = prepared.obstacles.map((_, i) => i);
      const span = { from: -50, to: 50 };
      const most = { halfWidthMm: 180, radiusMm: 460 };
      const stage = new Stage(prepared, STANDARDS.neverRub, section, [{ ladder: [], members }], span, most);
      stage.draw();
      SIZES.forEach((size, index) => {
        const mounted = new Mounted({ size }, 17, 8.5);
        for (const planeMm of [-50, -21.5, 0, 17.25, 50]) {
          const tabled = stage.tabled(index, mounted, 0, planeMm);
          const exact = stage.leastOf(mounted.rotor, members, planeMm, Infinity)!.marginMm;
          if (exact > 40 || exact < -25) continue;
          const inBand = exact > tabled - TABLE_OVER_MM && exact < tabled + TABLE_UNDER_MM;
          expect({ seed, size, planeMm, inBand, tabled, exact }).toMatchObject({ inBand: true });
          expect(stage.leaves(index, mounted, 0, planeMm, exact - 0.3)).toBe(true);
          expect(stage.leaves(index, mounted, 0, planeMm, exact + 0.3)).toBe(false);
          compared++;
        }
      });
    }
    expect(compared).toBeGreaterThan(5);
  });
});

test('a dense scan is drawn whole: the point that is nearest is not thinned away', () => {
  const described = scattered(seededRandom(5), 'swingArm', 1, 1);
  // A far cloud of 6,500 points, and one point near the tire among them.
  const far = Array.from({ length: 6500 }, (_, i): [number, number, number] => [i % 80, -20, 640 + (i % 70)]);
  const points = [...far.slice(0, 3001), [0, -20, 470] as [number, number, number], ...far.slice(3001)];
  const corner = {
    ...described,
    obstacles: [
      { id: 'scan', mount: 'body' as const, material: 'liner' as const, shape: { type: 'scan' as const, points } },
    ],
  };
  const setup = fittedSetup(described.fitted);
  const cache = new SectionCache();
  const prepared = prepareCorner('frontLeft', corner, setup, 'trail', undefined, cache.survey);
  const section = cache.section(prepared, corner, setup);
  const most = { halfWidthMm: 160, radiusMm: 420 };
  const stage = new Stage(
    prepared,
    STANDARDS.neverRub,
    section,
    [{ ladder: [], members: [0] }],
    { from: -30, to: -30 },
    most,
  );
  stage.draw();
  const mounted = new Mounted({ size: '265/70R17' }, 17, 8);
  const exact = stage.leastOf(mounted.rotor, [0], -30, Infinity)!.marginMm;
  expect(stage.tabled(0, mounted, 0, -30)).toBeLessThan(exact + TABLE_OVER_MM);
});
