import { describe, expect, test } from '@jest/globals';
import { makeOutline } from '../../1-base/geometry/outline';
import { seededRandom } from '../../1-base/numeric/seeded-random';
import { ClearSection } from '../search/clear-section';
import { fittedSetup, type Setup, countParts, fittedAsSetup } from '../../2-vehicle/setup/setup';
import { KEEP_OUT_COARSE, KEEP_OUT_ZONES, keepOut, type KeepOut, type KeepOutZone } from './keep-out';
import { gapInPosture } from '../oracle/plain-sweep';
import type { PlaneWindow } from './plane-raster';
import { prepareCorner, type PreparedCorner } from '../case/prepared-corner';
import { solidDistance, type Solid } from '../../2-vehicle/setup/rotor';
import { MOTIONS, scattered, SETUPS } from '../../fixtures/scattered-corner';
import { STANDARDS } from '../case/standard';

const WINDOW: PlaneWindow = { fromAMm: -420, fromRMm: 0, stepMm: 1.5, columns: 560, rows: 450 };

/** mm: a cell's diagonal and the straight fill between postures. */
const PICTURE_MM = 2.5;

/** mm: the same of the coarse picture. */
const COARSE_MM = 10;

const solidOf = ({ rotor }: PreparedCorner, zone: KeepOutZone): Solid =>
  zone === 'inside' ? rotor.hollow : zone === 'ground' ? rotor.loaded : rotor.filled;

/** Shortest way between tire and region in the picture: from the cells along the region's edge. */
function gapInPicture(picture: KeepOut, corner: PreparedCorner): { gapMm: number; obstacle: string } {
  const { window } = picture;
  let gapMm = Infinity;
  let obstacle = '';
  for (const zone of KEEP_OUT_ZONES) {
    const field = picture.zones[zone];
    if (!field) continue;
    const solid = solidOf(corner, zone);
    field.touchMm.forEach((touch, i) => {
      if (!(touch > 0 && touch < 2 * window.stepMm)) return;
      const a = window.fromAMm + ((i % window.columns) + 0.5) * window.stepMm;
      const r = window.fromRMm + (Math.floor(i / window.columns) + 0.5) * window.stepMm;
      const sum = touch + solidDistance(solid, a - corner.rotor.centrePlaneMm, r);
      if (sum < gapMm) {
        gapMm = sum;
        obstacle = picture.obstacles[field.obstacle[i]!]!;
      }
    });
  }
  return { gapMm, obstacle };
}

describe('the keep-out region against the least gaps themselves, seeded', () => {
  test.each(Object.keys(MOTIONS))('%s: the white space between tire and region is the gap', (name) => {
    let compared = 0;
    for (let seed = 1; seed <= 2; seed++) {
      const random = seededRandom(500 * seed + name.length);
      const described = scattered(random, name, 6, 3);
      const setups: Setup[] = SETUPS.slice(0, 3).map((s) => countParts({ ...fittedAsSetup(described.fitted), ...s }));
      const kind = seed % 2 ? 'trail' : 'street';
      const first = prepareCorner('frontLeft', described, setups[0]!, kind);
      // One picture serves every tire.
      const picture = keepOut(first, STANDARDS.neverRub, WINDOW);
      const coarse = keepOut(first, STANDARDS.neverRub, WINDOW, KEEP_OUT_COARSE);
      for (const setup of setups) {
        const corner = prepareCorner('frontLeft', described, setup, kind);
        const gaps = new ClearSection(corner.motion, corner.envelope).leastGaps(corner);
        const least = gaps.reduce((best, next, i) => (next.gapMm < gaps[best]!.gapMm ? i : best), 0);
        const exact = gaps[least]!.gapMm;
        const drawn = gapInPicture(picture, corner);
        if (exact > 0) {
          expect({ name, seed, off: Math.abs(drawn.gapMm - exact) < PICTURE_MM ? 'no' : [drawn.gapMm, exact] }).toEqual(
            {
              name,
              seed,
              off: 'no',
            },
          );
          const roughly = gapInPicture(coarse, corner).gapMm;
          expect({ name, seed, off: Math.abs(roughly - exact) < COARSE_MM ? 'no' : [roughly, exact] }).toEqual({
            name,
            seed,
            off: 'no',
          });
          compared++;
        } else {
          // Overlapping shapes: the sum says that, not by how much.
          expect({ name, seed, overlaps: drawn.gapMm < PICTURE_MM }).toEqual({ name, seed, overlaps: true });
        }
      }
    }
    expect(compared).toBeGreaterThan(0);
  });

  test('a cell names the obstacle and a posture in which it is met there', () => {
    const random = seededRandom(9);
    const described = scattered(random, 'doubleWishbone', 8, 2);
    const corner = prepareCorner('frontRight', described, fittedSetup(described.fitted), 'trail');
    const { zones, obstacles, postures } = keepOut(corner, STANDARDS.plasticKiss, WINDOW);
    const { touchMm, obstacle, posture } = zones.free!;
    let looked = 0;
    for (let i = 0; i < touchMm.length; i += 487) {
      // Near the edge, from outside: there a straight way leads to what is met.
      if (!(touchMm[i]! > 3 && touchMm[i]! < 30)) continue;
      const a = WINDOW.fromAMm + ((i % WINDOW.columns) + 0.5) * WINDOW.stepMm;
      const r = WINDOW.fromRMm + (Math.floor(i / WINDOW.columns) + 0.5) * WINDOW.stepMm;
      const met = corner.obstacles.find(({ id }) => id === obstacles[obstacle[i]!])!;
      // Hardly more than a ring at that cell, carried through postures: as far from the thing as the cell says in one of
      // them, and nearly so in the one that is named, which is a neighbour on the grid (16 mm and 4 degrees apart).
      const ring = { ...corner, rotor: ringAt(corner, a, r) };
      const gaps = postures.map((there) => gapInPosture(ring, met, there).gapMm);
      const least = Math.min(...gaps);
      looked++;
      expect(least).toBeGreaterThan(touchMm[i]! - PICTURE_MM);
      expect(least).toBeLessThan(touchMm[i]! + 20);
      expect(gaps[posture[i]!]).toBeLessThan(touchMm[i]! + 45);
    }
    expect(looked).toBeGreaterThan(20);
  });

  test('nothing surveyed: nothing to keep out of', () => {
    const described = { ...scattered(seededRandom(1), 'swingArm', 1, 1), obstacles: [] };
    const corner = prepareCorner('rearLeft', described, fittedSetup(described.fitted), 'trail');
    expect(keepOut(corner, STANDARDS.neverRub, WINDOW).zones).toEqual({ free: null, ground: null, inside: null });
  });
});

/** A rotor that is hardly more than a ring at one place of the plane. */
function ringAt(corner: PreparedCorner, a: number, r: number): PreparedCorner['rotor'] {
  const places = [
    { a: -0.01, r: r - 0.01 },
    { a: -0.01, r: r + 0.01 },
    { a: 0.01, r: r + 0.01 },
    { a: 0.01, r: r - 0.01 },
  ];
  const ring: Solid = {
    outline: makeOutline(
      places.map((from, i) => ({ kind: 'line', from, to: places[(i + 1) % 4]!, tag: 'tread' as const })),
    ),
    pieces: [],
    hull: null,
    coverIsExact: false,
  };
  return { ...corner.rotor, centrePlaneMm: a, filled: ring, loaded: ring };
}
