import { describe, expect, test } from '@jest/globals';
import { place } from '../../1-base/geometry/pose';
import type { Vec3 } from '../../1-base/geometry/vec3';
import { seededRandom } from '../../1-base/numeric/seeded-random';
import { searchToleranceMm } from '../../1-base/tolerances';
import { ClearSection, CornerImages } from './clear-section';
import { PostureClip } from './posture-clip';
import { type Setup, countParts, fittedAsSetup } from '../../2-vehicle/setup/setup';
import type { CornerDescription } from '../../3-survey/description/corner-description';
import type { ObstacleDescription } from '../../3-survey/description/obstacle-description';
import { plainSweep, postureOf, wholeStretch } from '../oracle/plain-sweep';
import { placeGap } from '../oracle/posture-gap';
import { makePieceTree } from '../../3-survey/shape/piece-tree';
import { placeOnPiece } from '../../3-survey/shape/shape';
import { prepareCorner, type PreparedCorner } from '../case/prepared-corner';
import { MOTIONS, scattered, SETUPS } from '../../fixtures/scattered-corner';

/** Gap in a posture and at a place chosen at random: never below the least, if the least is right. */
function randomGap(corner: PreparedCorner, index: number, random: () => number): number {
  const obstacle = corner.obstacles[index]!;
  const { lowest, highest } = corner.envelope.limits;
  const end = (x: number): number => (x < 0.15 ? 0 : x > 0.85 ? 1 : (x - 0.15) / 0.7);
  const share = (): number => end(random());
  const posture = postureOf(corner, [lowest + (highest - lowest) * share(), 2 * share() - 1, 2 * share() - 1, 0, 0]);
  const piece = Math.floor(random() * obstacle.pieces.corners.length);
  const s = share();
  const w = share() * (1 - s);
  const point = place(corner.motion.mountPose(obstacle.mount, posture), placeOnPiece(obstacle.pieces, piece, s, w));
  return placeGap(corner.rotor, obstacle, corner.motion.wheelPose(posture), point);
}

const setupOf = (corner: CornerDescription, i: number): Setup =>
  countParts({ ...fittedAsSetup(corner.fitted), ...SETUPS[i % SETUPS.length] });

/** mm by which something may lie below an answer. */
const slack = (gapMm: number): number => 0.02 + searchToleranceMm(gapMm);

describe('the clear section against the plain sweep, seeded', () => {
  test.each(Object.keys(MOTIONS))('%s: never above it, and nothing found at random is below', (name) => {
    for (let seed = 1; seed <= 6; seed++) {
      const random = seededRandom(1000 * seed + name.length);
      const description = scattered(random, name, 8, 3);
      const kind = seed % 2 ? 'trail' : 'street';
      const key = seed % 3 ? 'frontLeft' : 'frontRight';
      const corner = prepareCorner(key, description, setupOf(description, seed), kind);
      const fast = new ClearSection(corner.motion, corner.envelope).leastGaps(corner);
      const plain = plainSweep(corner, undefined, { postures: 9, others: 5 });
      fast.forEach((least, i) => {
        const where = { name, seed, i, mount: corner.obstacles[i]!.mount };
        const above = least.gapMm - plain[i]!.gapMm;
        expect({ ...where, above: above <= slack(least.gapMm) ? 'no' : above }).toEqual({
          ...where,
          above: 'no',
        });
        // What it says is met: same place, same posture, measured the plain way.
        const met = placeGap(corner.rotor, corner.obstacles[i]!, corner.motion.wheelPose(least.posture), least.at);
        expect(met).toBeCloseTo(least.gapMm, 9);
        for (let n = 0; n < 300; n++) {
          const gap = randomGap(corner, i, random);
          const below = least.gapMm - gap;
          expect({ ...where, n, below: below <= slack(least.gapMm) ? 'no' : below }).toEqual({
            ...where,
            n,
            below: 'no',
          });
        }
      });
    }
  });

  test('single points, two thousand of them', () => {
    const random = seededRandom(20261125);
    for (let n = 0; n < 50; n++) {
      const description = scattered(random, 'swingArm', 40, 0);
      const points = description.obstacles.map((o) => ({
        ...o,
        mount: 'frame' as const,
        shape: { type: 'points' as const, points: [o.shape!.points[0]!] },
      }));
      const corner = prepareCorner(
        'frontLeft',
        { ...description, obstacles: points },
        setupOf(description, n),
        'trail',
      );
      const fast = new ClearSection(corner.motion, corner.envelope).leastGaps(corner);
      const plain = plainSweep(corner, undefined, { postures: 7, others: 1 });
      fast.forEach((least, i) => {
        const above = least.gapMm - plain[i]!.gapMm;
        expect({ n, i, above: above <= slack(least.gapMm) ? 'no' : above }).toEqual({ n, i, above: 'no' });
      });
    }
  });
});

describe('deep between tread and sidewall, where two sides are as near', () => {
  const MOST_CELLS = 4000;
  test.each(['swingArm', 'doubleWishbone', 'beamAxle'])('%s: the search ends, and the sweep says the same', (name) => {
    const random = seededRandom(61);
    const bare = scattered(random, name, 0, 0);
    const tire = { size: '285/70R17' };
    const wheel = { diameterIn: 17, widthIn: 8.5, offsetMm: -60 };
    let deep = 0;
    for (let n = 0; n < 12; n++) {
      const [x, y, z] = [370 + 8 * random(), 150 + 40 * random(), -30 + 20 * random()];
      const points: Vec3[] = [0, 1, 2].map((k) => [x - 3 * k, y + 9 * k, z + 5 * k]);
      const shape = { type: 'polyline' as const, points };
      const obstacles: ObstacleDescription[] = [{ id: 'deep', mount: 'frame', material: 'frame', shape }];
      const setup = countParts({ ...fittedAsSetup(bare.fitted), tire, wheel });
      const corner = prepareCorner('frontLeft', { ...bare, obstacles }, setup, 'trail');
      const [thing] = corner.obstacles;
      const images = new CornerImages(corner.motion, wholeStretch(corner.envelope));
      const cells = images.cellsOf('frame');
      const found = images.search.run({
        cells,
        clip: new PostureClip(
          images.states,
          images.locks,
          corner.motion,
          corner.envelope,
          wholeStretch(corner.envelope),
        ),
        rotor: corner.rotor,
        pieces: thing!.pieces,
        tree: makePieceTree(thing!.pieces),
        insideWheel: false,
      });
      if (found.distance < -10) deep++;
      expect({ n, status: found.status, isShort: found.cells < MOST_CELLS }).toEqual({
        n,
        status: 'solved',
        isShort: true,
      });
      const [plain] = plainSweep(corner, undefined, { postures: 9, others: 5 });
      expect(found.distance - plain!.gapMm).toBeLessThan(slack(found.distance));
    }
    expect(deep).toBeGreaterThan(6);
  });
});

describe('the continuous minimum', () => {
  test('is within 0.25 mm of a very fine grid of postures, from below', () => {
    const random = seededRandom(77);
    const description = scattered(random, 'doubleWishbone', 6, 0);
    const corner = prepareCorner('frontLeft', description, setupOf(description, 0), 'trail');
    const fast = new ClearSection(corner.motion, corner.envelope).leastGaps(corner);
    const { droop, bump } = corner.envelope.limits;
    const least = corner.obstacles.map(() => Infinity);
    for (let i = 0; i <= 150; i++) {
      for (let j = 0; j <= 200; j++) {
        const posture = postureOf(corner, [droop + ((bump - droop) * i) / 150, j / 100 - 1, 0, 0, 0]);
        const wheel = corner.motion.wheelPose(posture);
        corner.obstacles.forEach((obstacle, k) => {
          if (obstacle.pieces.corners[0] !== 1) return;
          const point = place(corner.motion.mountPose(obstacle.mount, posture), placeOnPiece(obstacle.pieces, 0, 0, 0));
          least[k] = Math.min(least[k]!, placeGap(corner.rotor, obstacle, wheel, point));
        });
      }
    }
    const compared = corner.obstacles.flatMap((o, k) =>
      o.pieces.corners[0] === 1 && least[k]! > -25 ? [least[k]! - fast[k]!.gapMm] : [],
    );
    expect(compared.length).toBeGreaterThan(1);
    for (const off of compared) {
      expect(off).toBeGreaterThan(-slack(0));
      expect(off).toBeLessThan(0.25);
    }
  });
});

describe('a scan', () => {
  test('of thousands of points gives the least gap of all its points', () => {
    const random = seededRandom(5);
    const points = Array.from({ length: 4000 }, (_, i): Vec3 => {
      const angle = -1.2 + (2.4 * (i % 80)) / 80;
      const radius = 520 + 14 * Math.sin(angle * 5) + random();
      return [radius * Math.sin(angle), -150 + 6 * Math.floor(i / 80), radius * Math.cos(angle)];
    });
    const description = scattered(random, 'swingArm', 1, 0);
    const obstacle = (shape: ObstacleDescription['shape']): ObstacleDescription[] => [
      { id: 's', mount: 'body', material: 'liner', shape },
    ];
    const scan = prepareCorner(
      'frontLeft',
      { ...description, obstacles: obstacle({ type: 'scan', points }) },
      setupOf(description, 0),
      'trail',
    );
    const section = new ClearSection(scan.motion, scan.envelope);
    const [found] = section.leastGaps(scan);
    const singles = points
      .filter((_, i) => i % 40 === 0)
      .map((p, i): ObstacleDescription => ({ ...obstacle({ type: 'points', points: [p] })[0]!, id: `p${i}` }));
    const apart = prepareCorner('frontLeft', { ...description, obstacles: singles }, setupOf(description, 0), 'trail');
    const least = Math.min(...section.leastGaps(apart).map((g) => g.gapMm));
    expect(found!.gapMm).toBeLessThanOrEqual(least + searchToleranceMm(0));
  });
});

describe('looking only for what is nearer than a ceiling', () => {
  test.each(Object.keys(MOTIONS))('%s: finds the least where there is one, else says there is none', (name) => {
    const random = seededRandom(40 + name.length);
    const description = scattered(random, name, 6, 3);
    const corner = prepareCorner('frontLeft', description, setupOf(description, 1), 'street');
    const { lowest: from, highest: to } = corner.envelope.limits;
    const section = new ClearSection(corner.motion, corner.envelope);
    const least = new ClearSection(corner.motion, corner.envelope).leastGaps(corner);
    corner.obstacles.forEach((obstacle, i) => {
      const gapMm = least[i]!.gapMm;
      const within = slack(gapMm);
      for (const above of [within + 0.2, 5, 60]) {
        const found = section.gapBelow(corner, obstacle, { from, to }, gapMm + above);
        expect(Math.abs(found! - gapMm)).toBeLessThan(within);
        expect(section.comesBelow(corner, obstacle, { from, to }, gapMm + above)).toBe(true);
      }
      for (const below of [within + 0.2, 12]) {
        expect(section.gapBelow(corner, obstacle, { from, to }, gapMm - below)).toBeNull();
        expect(section.comesBelow(corner, obstacle, { from, to }, gapMm - below)).toBe(false);
      }
    });
  });
});

describe('what the last search met, as a guess', () => {
  test.each(Object.keys(MOTIONS))(
    '%s: is met in truth under another setup, and never makes an answer worse',
    (name) => {
      const random = seededRandom(90 + name.length);
      const description = scattered(random, name, 8, 3);
      const before = prepareCorner('frontLeft', description, setupOf(description, 0), 'trail');
      const images = new CornerImages(before.motion, wholeStretch(before.envelope));
      const section = new ClearSection(before.motion, before.envelope, images);
      const over = wholeStretch(before.envelope);
      for (const obstacle of before.obstacles) expect(section.gapMet(before, obstacle, over)).toBe(Infinity);
      const found = section.leastGaps(before);
      before.obstacles.forEach((obstacle, i) => {
        expect(section.gapMet(before, obstacle, over)).toBeCloseTo(found[i]!.gapMm, 2);
      });

      // The same obstacles, another alignment, envelope and tire.
      const setup = { ...setupOf(description, 1), camberChangeDeg: -1, axleShiftMm: 6, bumpStopMm: 12 };
      const known = new Map(before.obstacles.map((o) => [o.id, o]));
      const after = prepareCorner('frontLeft', description, setup, 'street', undefined, () => [...known.values()]);
      const stretch = wholeStretch(after.envelope);
      const guessed = new ClearSection(
        after.motion,
        after.envelope,
        new CornerImages(after.motion, stretch, images.met),
      );
      const afresh = new ClearSection(after.motion, after.envelope).leastGaps(after);
      after.obstacles.forEach((obstacle, i) => {
        const { gapMm } = afresh[i]!;
        const met = guessed.gapMet(after, obstacle, stretch);
        expect(met).toBeGreaterThanOrEqual(gapMm - slack(gapMm));
        if (met < Infinity) expect(guessed.comesBelow(after, obstacle, stretch, met + 0.01)).toBe(true);
        expect(Math.abs(guessed.leastGap(after, obstacle).gapMm - gapMm)).toBeLessThan(slack(gapMm));
      });
    },
  );
});
