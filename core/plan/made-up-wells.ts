import type { CaseDescription, CornerDescription, ObstacleDescription } from '../clearance/description';
import { seededRandom } from '../numeric/seeded-random';
import type { PlanQuestion, ShopTerms } from './plan-question';

const MATERIALS = ['sheetMetal', 'liner', 'plastic', 'hose', 'bodyMount'] as const;

function crowdedCorner(random: () => number, steers: boolean, things: number): CornerDescription {
  const obstacles = Array.from({ length: things }, (_, i): ObstacleDescription => {
    const angle = -1.4 + 2.8 * random();
    const radius = 415 + 55 * random();
    return {
      id: `thing-${i}`,
      mount: i % 2 ? 'frame' : 'body',
      material: MATERIALS[Math.floor(random() * MATERIALS.length)]!,
      shape: {
        type: 'points',
        points: [[radius * Math.sin(angle), -140 + 240 * random(), radius * Math.cos(angle) + 40]],
      },
      ...(random() < 0.2 ? { removable: true, behind: [] } : {}),
      ...(random() < 0.15 ? { part: 'swappable' as const } : {}),
    };
  });
  return {
    motion: { type: 'swingArm', frontView: null, sideView: null },
    ...(steers
      ? { steering: { inclinationDeg: 8, casterDeg: 3, kingpinOffsetMm: 90, lockLeftDeg: 30, lockRightDeg: 30 } }
      : {}),
    staticCamberDeg: 0,
    staticToeDeg: 0,
    travel: { bumpMm: 40, droopMm: 60 },
    fitted: { tire: { size: '265/70R17' }, wheel: { diameterIn: 17, widthIn: 8, offsetMm: 20 }, spacerMm: 0 },
    obstacles,
  };
}

/** For tests: an invented vehicle of two corners, crowded by things that can be changed, some of them taken off. */
export function crowded(seed: number, standard: CaseDescription['standard']): CaseDescription {
  const random = seededRandom(seed);
  return {
    corners: { frontLeft: crowdedCorner(random, true, 4), rearLeft: crowdedCorner(random, false, 2) },
    envelope: 'trail',
    standard,
  };
}

/** For tests: an invented shop's terms. */
export const SHOP: ShopTerms = {
  toolSet: 'power',
  labourMinorPerHour: 9050,
  taxMillionths: 190_000,
  taxOn: 'all',
  minutes: {},
  partsMinor: {
    bumpStop: 4000,
    spacer: 9000,
    reroute: 500,
    cutSheetMetal: 2500,
    bodyMountChop: 6000,
    bodyLift: 18_000,
  },
};

export const QUESTION: PlanQuestion = {
  allowed: {
    unbolt: 0,
    reroute: 30,
    tuckLiner: 15,
    heatForm: 20,
    trimPlastic: 60,
    rollFender: 12,
    foldLip: 20,
    cutSheetMetal: 60,
    bodyMountChop: 60,
    swapPart: 0,
  },
  tried: { front: { bumpStopMm: [15, 30], steeringStopDeg: [5], spacerMm: [20] }, rear: { bumpStopMm: [20] } },
  bodyLiftsMm: [25],
  shop: SHOP,
  consents: [],
};
