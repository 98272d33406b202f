import { UPRIGHT_AXIS, madeCorner, madeCase } from '../../fixtures/made-corner';
import { describe, expect, test } from '@jest/globals';
import { countParts } from '../../2-vehicle/setup/setup';
import type { CornerDescription } from '../description/corner-description';
import type { ObstacleDescription } from '../description/obstacle-description';
import { cornerVerdicts, evaluateCase, type ObstacleVerdict } from '../../4-clearance/verdict/evaluate';
import { landedReadings } from '../landing/landed-readings';
import { surveyScene } from '../landing/survey-scene';
import type { Vec3 } from '../../1-base/geometry/vec3';
import type { ReadingDescription } from '../reading/reading';
import { plainDraw } from '../../5-consequences/spread/plain-spread';
import { drawnErrors } from '../../5-consequences/spread/spread';
import { makeSpreadModel } from '../../5-consequences/spread/spread-model';
import { STANDARDS } from '../../4-clearance/case/standard';
import { ClearSection } from '../../4-clearance/search/clear-section';
import { prepareCorner } from '../../4-clearance/case/prepared-corner';
import { edgePlace } from './edge-model';
import { readEdge, type ReadEdge } from './read-edge';
import { surveyedWell } from '../../fixtures/wells/walk-surveyor';
import { syntheticWell } from '../../6-decisions/practice/synthetic-well';

const FITTED = {
  tire: { size: '265/70R17' },
  wheel: { diameterIn: 17, widthIn: 8, offsetMm: 0 },
  spacerMm: 0,
} as const;

/** 265/70R17 by ISO 4000-1: 431.8 + 2 x round(0.7 x 265) = 803.8 mm; 272 mm wide on its 8 in measuring rim. */
const CROWN = 401.9;
const HALF_WIDTH = (265 + 0.4 * (8 * 25.4 - 0.7 * 265)) / 2;

/** A wheel that goes straight up and steers about an upright axis through the hub face: poses anybody can write down. */
const corner = (obstacles: readonly ObstacleDescription[]): CornerDescription =>
  madeCorner({
    steering: UPRIGHT_AXIS,
    travel: { bumpMm: 80, droopMm: 80 },
    fitted: FITTED,
    obstacles,
  });

function edgeOf(obstacle: ObstacleDescription): ReadEdge {
  const scene = surveyScene('frontLeft', corner([obstacle]));
  return readEdge(obstacle, scene, '', landedReadings(obstacle, scene, ''))!;
}

const read = (more: Partial<ReadingDescription>): ReadingDescription => ({
  clock: '12:00',
  across: 'tread',
  gapMm: 60,
  steer: 'straight',
  travelMm: 0,
  ...more,
});

const obstacle = (
  readingsAs: ObstacleDescription['readingsAs'],
  readings: ReadingDescription[],
  more = {},
): ObstacleDescription => ({
  id: 'thing',
  mount: 'body',
  material: 'sheetMetal',
  readingsAs,
  readings,
  ...more,
});

describe('exact readings of known shapes give the shape back', () => {
  test('a round arch about the hub: readings at five clocks, the place between them by the circle', () => {
    const clocks = ['9:20', '10:40', '12:00', '1:20', '2:40'];
    const edge = edgeOf(
      obstacle(
        'arch',
        clocks.map((clock) => read({ clock, gapMm: 80, outboardMm: -10 })),
      ),
    );
    expect(edge.fit.status).toBe('converged');
    for (const seed of edge.model.seeds) {
      const [x, y, z] = edgePlace(edge.model, edge.fit.q, seed);
      expect(Math.hypot(x, z)).toBeCloseTo(CROWN + 80, 0);
      expect(y).toBeCloseTo(HALF_WIDTH - 10, 0);
    }
  });

  test('a lopsided arch, its center 30 mm ahead of the hub and 20 mm above: the law of cosines', () => {
    const [ahead, above, radius] = [30, 20, 510];
    const clocks = [290, 320, 350, 20, 50, 75];
    const gap = (deg: number): number => {
      const toward = ahead * Math.sin((deg * Math.PI) / 180) + above * Math.cos((deg * Math.PI) / 180);
      return toward + Math.sqrt(toward ** 2 + radius ** 2 - ahead ** 2 - above ** 2) - CROWN;
    };
    const clockOf = (deg: number): string => `${Math.floor(deg / 30) || 12}:${String((deg % 30) * 2).padStart(2, '0')}`;
    const edge = edgeOf(
      obstacle(
        'arch',
        clocks.map((deg) => read({ clock: clockOf(deg), gapMm: gap(deg), outboardMm: 0 })),
      ),
    );
    for (const seed of edge.model.seeds) {
      const [x, , z] = edgePlace(edge.model, edge.fit.q, seed);
      expect(Math.abs(Math.hypot(x - ahead, z - above) - radius)).toBeLessThan(1.5);
    }
  });

  test('one tip read straight and part way to both sides lies where the three distances meet', () => {
    const tip: Vec3 = [440, -40, 40];
    // Steer + is to the left: the front of this left wheel goes outboard, so seen from the wheel the tip turns inboard.
    const ahead = (steerDeg: number): number => {
      const turn = (steerDeg * Math.PI) / 180;
      return tip[0] * Math.cos(turn) + tip[1] * Math.sin(turn);
    };
    const gap = (steerDeg: number): number => Math.hypot(ahead(steerDeg), tip[2]) - CROWN;
    const edge = edgeOf(
      obstacle(
        'tip',
        [-10, 0, 10].map((steer) => read({ clock: '2:50', steer, gapMm: gap(steer), nearest: true })),
      ),
    );
    const place = edgePlace(edge.model, edge.fit.q, [0, 0]);
    expect(Math.abs(place[0] - tip[0])).toBeLessThan(2);
    expect(Math.abs(place[1] - tip[1])).toBeLessThan(15);
    expect(Math.abs(place[2] - tip[2])).toBeLessThan(5);
  });

  test('a straight upright edge: its lean by two readings at their heights', () => {
    // x = -470 - 0.1 z behind the wheel, read at the crown's height of three clocks; distances by Pythagoras.
    const at = (deg: number): { gap: number } => {
      const turn = (deg * Math.PI) / 180;
      const r = 470 / (-Math.sin(turn) - 0.1 * Math.cos(turn));
      return { gap: r - CROWN };
    };
    const clocks = [
      [255, '8:30'],
      [270, '9:00'],
      [285, '9:30'],
    ] as const;
    const edge = edgeOf(
      obstacle(
        'uprightEdge',
        clocks.map(([deg, clock]) => read({ clock, gapMm: at(deg).gap, outboardMm: -100 })),
      ),
    );
    const places = edge.model.seeds.map((seed) => edgePlace(edge.model, edge.fit.q, seed));
    const within = places.filter(([, , z]) => Math.abs(z) < 130);
    expect(within.length).toBeGreaterThan(6);
    for (const [x, , z] of within) expect(Math.abs(x + 470 + 0.1 * z)).toBeLessThan(1.5);
  });
});

describe('a slip and a rub', () => {
  const clocks = ['9:20', '10:10', '11:00', '12:00', '1:00', '1:50', '2:40'];
  const lip = (slipMm: number, more = {}): ObstacleDescription =>
    obstacle(
      'arch',
      clocks.map((clock, i) => read({ clock, gapMm: 80 + (i === 2 ? slipMm : 0), outboardMm: -10 })),
      more,
    );

  test('a reading an inch off is doubted, its neighbours are not, and the edge hardly bends to it', () => {
    const edge = edgeOf(lip(25.4));
    expect([...edge.contradicting]).toEqual([2]);
    const [x, , z] = edgePlace(edge.model, edge.fit.q, [0, 0]);
    expect(Math.abs(Math.hypot(x, z) - CROWN - 80)).toBeLessThan(1);
    expect(edgeOf(lip(0)).contradicting.size).toBe(0);
  });

  test('a reading that was confirmed stands, and no other is doubted in its place', () => {
    const { readings = [], ...rest } = lip(25.4);
    const confirmed = readings.map((r, i) => (i === 2 ? { ...r, confirmed: true } : r));
    expect(edgeOf({ ...rest, readings: confirmed }).contradicting.size).toBe(0);
  });

  test('a rub over bumps brings a loosely read thing to where the tire can touch it; a mark that fits changes nothing', () => {
    const high = (gapMm: number, rubs: ObstacleDescription['rubs']): ReadEdge =>
      edgeOf(obstacle('tip', [read({ gapMm, clock: '12:00' })], { rubs }));
    const rub = [{ seen: 'mark', steer: 'straight', height: 'bump' } as const];
    const heightOf = ({ model, fit }: ReadEdge): number => edgePlace(model, fit.q, [0, 0])[2];
    // Full bump is 80 mm up: at 86 mm it just does not touch.
    expect(heightOf(high(86, undefined)) - CROWN).toBeCloseTo(86, 0);
    const moved = heightOf(high(86, rub)) - CROWN;
    expect(moved).toBeLessThan(85);
    expect(moved).toBeGreaterThan(80);
    expect(heightOf(high(70, rub))).toBeCloseTo(heightOf(high(70, undefined)), 3);
  });
});

const lopsided = (): CornerDescription => {
  const well = syntheticWell(11);
  return surveyedWell(well, well.setups[2]!, 11);
};

test('fast draws of fitted edges agree with everything put off and fitted anew', () => {
  const fit = { corner: lopsided(), setup: countParts(syntheticWell(11).setups[2]!) };
  const prepared = prepareCorner('frontLeft', fit.corner, fit.setup, 'trail');
  const verdicts = cornerVerdicts(
    prepared,
    STANDARDS.neverRub,
    {},
    new ClearSection(prepared.motion, prepared.envelope),
  );
  const model = makeSpreadModel(prepared, fit, 'trail', STANDARDS.neverRub, undefined, verdicts);
  const draws = 12;
  const errors = drawnErrors(model, draws, 3);
  const { gaps } = model.drawn(errors);
  const off: number[] = [];
  for (let n = 0; n < draws; n++) {
    const z = errors.shared.map((values) => values[n]!);
    const e = errors.own.map((values) => values[n]!);
    const plain = plainDraw('frontLeft', fit, 'trail', STANDARDS.neverRub, model, z, e);
    plain.forEach((gap, i) => {
      if (gap < 60) off.push(Math.abs(gap - gaps[i]![n]!));
    });
  }
  off.sort((a, b) => a - b);
  expect(off.length).toBeGreaterThan(40);
  expect(off[Math.floor(off.length / 2)]).toBeLessThan(1.5);
  expect(off[Math.floor(0.9 * off.length)]).toBeLessThan(12);
});

test('twenty-five numbers of wells of known shape foretell other setups: within 3 mm in the middle, 10 mm at nine in ten', () => {
  const least = (obstacles: readonly ObstacleVerdict[]): ObstacleVerdict =>
    obstacles.reduce((a, b) => (b.gapMm < a.gapMm ? b : a));
  const misses: number[] = [];
  let wrong = 0;
  for (let seed = 301; seed <= 303; seed++) {
    const well = syntheticWell(seed);
    const surveyed = surveyedWell(well, well.setups[2]!, seed);
    const numbers = surveyed.obstacles
      .flatMap(({ readings }) => readings ?? [])
      .reduce((sum, r) => sum + 1 + (r.outboardMm !== undefined && !r.outboardAsBefore ? 1 : 0), 0);
    expect(numbers).toBeLessThanOrEqual(25);
    for (const setup of well.setups) {
      const gapOf = (of: CornerDescription): number =>
        least(evaluateCase(madeCase({ corners: { frontLeft: of }, setup })).obstacles).gapMm;
      const [is, said] = [gapOf(well.truth), gapOf(surveyed)];
      misses.push(Math.abs(said - is));
      if (Math.abs(is) > 3 && is < 0 !== said < 0) wrong++;
    }
  }
  misses.sort((a, b) => a - b);
  expect(misses[9]).toBeLessThan(3);
  expect(misses[16]).toBeLessThan(10);
  expect(wrong).toBeLessThanOrEqual(1);
});
