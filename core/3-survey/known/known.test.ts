import { describe, expect, test } from '@jest/globals';
import { FITTED, LEANING_AXIS, madeCase, madeCorner } from '../../fixtures/made-corner';
import { seededRandom } from '../../1-base/numeric/seeded-random';
import { attempt } from '../../1-base/problem';
import { fittedAsSetup } from '../../2-vehicle/setup/setup';
import { evaluateCase } from '../../4-clearance/verdict/evaluate';
import { fallsShort, STANDARDS, VERDICTS, verdictOf } from '../../4-clearance/case/standard';
import type { CornerDescription } from '../description/corner-description';
import type { ObstacleDescription } from '../description/obstacle-description';
import { STEERED_WALK } from '../walk/usual-walk';
import { canClear, cornerKnown, STARTING_VALUES } from './known';

/** A thing of the walk, read as often as the walk asks, each time with so much room. */
const walked = (id: string, gapMm = 70): ObstacleDescription => {
  const stop = STEERED_WALK.find((one) => one.id === id)!;
  return {
    id,
    mount: stop.mounts.includes('frame') ? 'frame' : 'body',
    material: stop.material,
    readingsAs: 'points',
    readings: stop.steps.map(({ clock }) => ({ clock, across: 'tread', steer: 'straight', gapMm })),
  };
};
const IDS = STEERED_WALK.map(({ id }) => id);
const corner = (said: Partial<CornerDescription> = {}): CornerDescription =>
  madeCorner({ steering: LEANING_AXIS, obstacles: IDS.map((id) => walked(id)), ...said });

describe('how much of a corner is known', () => {
  test('the whole walk is enough, nothing of it is not', () => {
    expect(cornerKnown(corner())).toMatchObject({ isEnough: true, first: null, things: { have: 7, of: 7 } });
    expect(cornerKnown(corner({ obstacles: [] }))).toMatchObject({
      isEnough: false,
      things: { have: 0, of: 7 },
      first: { kind: 'thing', label: 'Fender lip' },
    });
  });

  test('two thirds of the things are wanted: five of seven', () => {
    const withFirst = (count: number) =>
      cornerKnown(corner({ obstacles: IDS.slice(0, count).map((id) => walked(id)) }));
    expect(withFirst(5).isEnough).toBe(true);
    expect(withFirst(4)).toMatchObject({ isEnough: false, first: { kind: 'thing', label: STEERED_WALK[4]!.label } });
  });

  test('what is not on this vehicle is not asked for', () => {
    const obstacles = IDS.slice(0, 4).map((id) => walked(id));
    expect(cornerKnown(corner({ obstacles, skipped: [IDS[4]!] }))).toMatchObject({
      things: { have: 4, of: 6 },
      isEnough: true,
    });
  });

  test('a thing that is listed and not measured is none, nor is one inside the wheel', () => {
    const listed = IDS.map((id): ObstacleDescription => ({ ...walked(id), readings: [] }));
    expect(cornerKnown(corner({ obstacles: listed })).things.have).toBe(0);
    const inside = IDS.map((id): ObstacleDescription => ({ ...walked(id), insideWheel: true }));
    expect(cornerKnown(corner({ obstacles: inside })).things.have).toBe(0);
  });

  test('a well borrowed from another vehicle is not known before it is checked on this one', () => {
    const borrowed = (settled: boolean) =>
      IDS.map((id): ObstacleDescription => {
        const { readings: _, ...rest } = walked(id);
        const from = { from: 'another vehicle', ...(settled ? { settled } : {}) };
        return { ...rest, shape: { type: 'points', points: [[0, -300, 500]] }, borrowed: from };
      });
    expect(cornerKnown(corner({ obstacles: borrowed(false) }))).toMatchObject({ isEnough: false, things: { have: 0 } });
    expect(cornerKnown(corner({ obstacles: borrowed(true) })).isEnough).toBe(true);
  });

  test('one careless reading of each thing is not a survey', () => {
    const obstacles = IDS.map((id): ObstacleDescription => ({
      ...walked(id),
      readings: walked(id).readings!.slice(0, 1),
    }));
    expect(cornerKnown(corner({ obstacles }))).toMatchObject({ isEnough: false, first: { kind: 'readings' } });
  });

  test('a well surveyed freely counts by what its things are, and one by shapes as read', () => {
    const renamed = IDS.map((id, i): ObstacleDescription => ({ ...walked(id), id: `own-${i}` }));
    expect(cornerKnown(corner({ obstacles: renamed })).isEnough).toBe(true);
    const shaped = IDS.map((id, i): ObstacleDescription => {
      const { readings: _, ...rest } = walked(id);
      return { ...rest, id: `scan-${i}`, shape: { type: 'points', points: [[0, -300, 500]] } };
    });
    expect(cornerKnown(corner({ obstacles: shaped })).isEnough).toBe(true);
    const allBody = IDS.map((id, i): ObstacleDescription => ({ ...walked(id), id: `panel-${i}`, material: 'plastic' }));
    expect(cornerKnown(corner({ obstacles: allBody }))).toMatchObject({ things: { have: 3, of: 7 }, isEnough: false });
  });

  test('each value that decides holds the corner back until that very one is measured', () => {
    for (const value of STARTING_VALUES) {
      const found = cornerKnown(corner({ starting: [value] }));
      expect(found.starting).toEqual([value]);
      const decides = ![
        'kingpinOffsetMm',
        'inclinationDeg',
        'casterDeg',
        'casterTrailMm',
        'staticCamberDeg',
        'staticToeDeg',
        'shockSpacingMm',
      ].includes(value);
      expect({ value, isEnough: found.isEnough }).toEqual({ value, isEnough: !decides });
      if (decides) expect(found.first).toEqual({ kind: 'value', value });
    }
  });
});

describe('the verdict on a gap', () => {
  const said = (gapMm: number, requiredMm: number, isKnown = true) =>
    verdictOf({ gapMm, marginMm: gapMm - requiredMm }, STANDARDS.neverRub, isKnown);

  test('is one of four words by gap and margin, and the fifth where too little is known', () => {
    expect([said(30, 8), said(10, 8), said(3, 8), said(-0.1, 8)]).toEqual(['clear', 'close', 'tooClose', 'rubs']);
    expect([said(30, 8, false), said(10, 8, false), said(3, 8, false), said(-0.1, 8, false)]).toEqual([
      'notKnown',
      'notKnown',
      'tooClose',
      'rubs',
    ]);
    expect(VERDICTS.filter(fallsShort)).toEqual(['tooClose', 'rubs']);
  });

  test('where a kiss is allowed, a gap below nothing may still be as wanted', () => {
    expect(said(-1, -5)).toBe('close');
    expect(said(-6, -5)).toBe('rubs');
  });
});

test('of random sparse surveys none is said to clear below the line, and none above it is said not to be known', () => {
  const random = seededRandom(20);
  const met = { below: 0, above: 0 };
  for (let run = 0; run < 120; run++) {
    const obstacles = IDS.filter(() => random() < 0.7).map((id): ObstacleDescription => {
      const whole = walked(id, 40 + 90 * random());
      return { ...whole, readings: whole.readings!.filter(() => random() < 0.8) };
    });
    const starting = STARTING_VALUES.filter(() => random() < 0.04);
    const described = corner({ obstacles, starting });
    const description = madeCase({ corners: { frontLeft: described }, setup: fittedAsSetup(FITTED) });
    const found = attempt(() => evaluateCase(description));
    if (!found.ok) continue;
    const { isEnough } = cornerKnown(described);
    const { obstacles: verdicts, lowGap, known } = found.value;
    expect(known).toEqual([{ corner: 'frontLeft', ...cornerKnown(described) }]);
    const words = [...verdicts.map(({ verdict }) => verdict), ...(lowGap ? [lowGap.verdict] : [])];
    if (isEnough) {
      met.above++;
      expect(words).not.toContain('notKnown');
    } else {
      met.below++;
      expect(words.filter((word) => word === 'clear' || word === 'close')).toEqual([]);
    }
  }
  expect(met.below).toBeGreaterThan(20);
  expect(met.above).toBeGreaterThan(5);
});

test('several corners clear together only where none was begun and left unknown', () => {
  expect(canClear(['a', 'b'], [], ['a', 'b'])).toBe(true);
  expect(canClear(['a', 'b'], ['b'], ['a'])).toBe(true);
  expect(canClear(['a', 'b'], ['b'], ['a', 'b'])).toBe(false);
  expect(canClear(['a', 'b'], ['a', 'b'], [])).toBe(false);
});
