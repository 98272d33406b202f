import { LEANING_AXIS, SWINGING, madeCorner } from '../../fixtures/made-corner';
import { expect, test } from '@jest/globals';
import type { CornerDescription } from '../description/corner-description';
import type { ObstacleDescription } from '../description/obstacle-description';
import { surveyScene } from '../landing/survey-scene';
import { prepareObstacle } from '../prepared/prepared-obstacle';
import { attempt } from '../../1-base/problem';
import { dice, type Dice } from '../../1-base/numeric/dice';
import { READING_PLACES, type ReadingDescription } from '../reading/reading';
import { formatClock } from '../../1-base/units/clock';
import { EDGE_KINDS, ROD_RUNS } from '../description/edge-kind';

const corner: CornerDescription = madeCorner({
  motion: SWINGING,
  steering: LEANING_AXIS,
  staticCamberDeg: -0.3,
  staticToeDeg: 0.1,
  travel: { bumpMm: 90, droopMm: 100 },
  hubToLipMm: 520,
  fitted: { tire: { size: '265/70R17' }, wheel: { diameterIn: 17, widthIn: 8, offsetMm: 30 }, spacerMm: 0 },
});

const pick = <T>(d: Dice, all: readonly T[]): T => all[Math.floor(d.between(0, all.length - 1e-9))]!;

/** Readings as no careful person would take them: anywhere, at any gap, in any posture. */
function wildReading(d: Dice): ReadingDescription {
  const across = pick(d, READING_PLACES);
  const outboard = across === 'tread' && d.between(0, 1) < 0.4 ? { outboardMm: d.between(-400, 400) } : {};
  const height = d.between(0, 1) < 0.3 ? { hubToLipMm: d.between(431, 619) } : { travelMm: 0 };
  return {
    clock: formatClock(Math.round(d.between(-145, 145))),
    across,
    gapMm: d.between(0, 1) < 0.1 ? 0 : d.between(0, 800),
    ...outboard,
    ...(d.between(0, 1) < 0.5 ? { nearest: true } : {}),
    steer: pick(d, ['straight', 'left', 'right', -12] as const),
    ...height,
  };
}

function wildObstacle(d: Dice): ObstacleDescription {
  const count = Math.ceil(d.between(0.01, 7));
  const readings = Array.from({ length: count }, () => wildReading(d));
  // Now and then the same place over and over.
  return {
    id: 'wild',
    mount: pick(d, ['body', 'frame', 'axle', 'knuckle'] as const),
    material: 'plastic',
    readingsAs: pick(d, EDGE_KINDS),
    form: { runs: pick(d, ROD_RUNS), ...(d.between(0, 1) < 0.5 ? { rodDiameterMm: d.between(0, 200) } : {}) },
    readings: d.between(0, 1) < 0.2 ? readings.map(() => readings[0]!) : readings,
    ...(d.between(0, 1) < 0.3 ? { rubs: [{ seen: 'mark', steer: 'any', height: 'bump' }] } : {}),
  };
}

test('whatever is read, the edge that comes of it is somewhere, or the reading is refused by name', () => {
  const scene = surveyScene('frontLeft', corner);
  for (let seed = 1; seed <= 20; seed++) {
    const obstacle = wildObstacle(dice(seed));
    const made = attempt(() => prepareObstacle(obstacle, scene, 'wild'));
    if (!made.ok) {
      expect([seed, made.problems.map(({ path }) => path)]).toEqual([seed, [expect.stringMatching(/^wild\.readings/)]]);
      continue;
    }
    const { pieces, surveyed } = made.value;
    expect([seed, pieces.corners.length > 0]).toEqual([seed, true]);
    expect([seed, [...pieces.vertices].every(Number.isFinite)]).toEqual([seed, true]);
    // Nothing is promised of an edge that a reading misses.
    const isMissed = surveyed.readings.some(({ misses }) => misses);
    expect([seed, surveyed.toleranceMm === null]).toEqual([seed, isMissed]);
    expect([seed, Number.isFinite(surveyed.toleranceMm ?? 0)]).toEqual([seed, true]);
    expect([seed, surveyed.readings.length]).toEqual([seed, obstacle.readings!.length]);
  }
});
