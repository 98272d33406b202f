import type { MotionDescription } from '../../2-vehicle/motion/motion-description';
import type { VehicleKind } from '../../2-vehicle/setup/vehicle-kind';
import type { CornerDescription } from '../../3-survey/description/corner-description';
import type { CaseDescription } from '../../4-clearance/case/case-description';
import { quickCorner, suspensionsOf, wantedSetup, type QuickQuestion, type QuickSuspension } from './quick-question';

/** From the least to the most that vehicles of a kind have. */
type Span = readonly [number, number];

/** What is not known of a vehicle that nobody measured. */
export interface Unknowns {
  /** Locks as turn plates read them, of the inner and the outer wheel of the turn, degrees. */
  readonly innerLockDeg: Span;
  readonly outerLockDeg: Span;
  /** Travel left to the squashed stop and to full droop, mm at the wheel. */
  readonly bumpMm: Span;
  readonly droopMm: Span;
  /** From one hub face to the other, mm. */
  readonly hubSpacingMm: number;
  /** Lower arm, pivot to ball joint, mm. */
  readonly armMm: number;
}

/** Of trucks: locks common practice, no source; all else working values of this project, no published source. */
const TRUCK: Unknowns = {
  innerLockDeg: [34, 40],
  outerLockDeg: [29, 34],
  bumpMm: [60, 100],
  droopMm: [70, 120],
  hubSpacingMm: 1640,
  armMm: 400,
};

const OF_KIND: Readonly<Record<VehicleKind, Unknowns>> = {
  pickup: TRUCK,
  wagon: { ...TRUCK, hubSpacingMm: 1580, armMm: 380 },
  van: { ...TRUCK, bumpMm: [50, 90], droopMm: [60, 110] },
  coupe: { ...TRUCK, innerLockDeg: [35, 41], bumpMm: [45, 80], droopMm: [60, 100], hubSpacingMm: 1500, armMm: 340 },
  cart: {
    ...TRUCK,
    innerLockDeg: [30, 40],
    outerLockDeg: [25, 33],
    bumpMm: [40, 75],
    droopMm: [40, 75],
    hubSpacingMm: 900,
    armMm: 240,
  },
};

const reaching = (spans: readonly Span[]): Span => [
  Math.min(...spans.map(([least]) => least)),
  Math.max(...spans.map(([, most]) => most)),
];

/** What vehicles of a kind lie between; where the kind is not known, those of road and trail together. */
export function unknownsOf(kind: VehicleKind | null): Unknowns {
  if (kind !== null) return OF_KIND[kind];
  const { cart: _, ...rest } = OF_KIND;
  const all = Object.values(rest);
  return {
    ...TRUCK,
    innerLockDeg: reaching(all.map(({ innerLockDeg }) => innerLockDeg)),
    outerLockDeg: reaching(all.map(({ outerLockDeg }) => outerLockDeg)),
    bumpMm: reaching(all.map(({ bumpMm }) => bumpMm)),
    droopMm: reaching(all.map(({ droopMm }) => droopMm)),
  };
}

/** One of the vehicles that it might be. */
export interface QuickCase {
  readonly suspension: QuickSuspension;
  readonly corner: CornerDescription;
  readonly description: CaseDescription;
}

/** A steering axis as such axles have it (working values of this project, no published source). */
const AXIS = { inclinationDeg: 11, casterDeg: 4, kingpinOffsetMm: 95, casterTrailMm: 0 };

/** Stops and shocks of a solid axle stand 0.5 to 0.7 of its track apart (common practice, no source); the further apart, the less it flexes. */
const STOP_SHARES = [0.7, 0.5] as const;

function motionOf(suspension: QuickSuspension, { armMm, hubSpacingMm }: Unknowns, travel: 0 | 1): MotionDescription {
  switch (suspension) {
    case 'doubleWishbone':
      return { type: 'doubleWishbone', tape: { lowerArmMm: armMm } };
    case 'macphersonStrut':
      return { type: 'macphersonStrut', tape: { lowerArmMm: armMm } };
    case 'beamAxle': {
      // Stops stand well inboard: flexed, one wheel goes far past its parallel bump, and there a tall tire meets the fender.
      const spacingMm = STOP_SHARES[travel] * hubSpacingMm;
      return { type: 'beamAxle', hubSpacingMm, stopSpacingMm: spacingMm, shockSpacingMm: spacingMm };
    }
  }
}

/** The least and the most of a span. */
const ENDS = [0, 1] as const;

/** The corners of what is not known: least and most lock with least and most travel, under each suspension it may have. */
export function quickCases(question: QuickQuestion): QuickCase[] {
  const unknowns = unknownsOf(question.vehicle);
  const key = quickCorner(question);
  return suspensionsOf(question).flatMap((suspension) =>
    ENDS.flatMap((lock) =>
      ENDS.map((travel): QuickCase => {
        const corner: CornerDescription = {
          motion: motionOf(suspension, unknowns, travel),
          ...(question.axle === 'front'
            ? {
                steering: {
                  ...(suspension === 'beamAxle' ? AXIS : {}),
                  lockRightDeg: unknowns.innerLockDeg[lock],
                  lockLeftDeg: unknowns.outerLockDeg[lock],
                  lockMeasured: 'heading' as const,
                },
              }
            : {}),
          staticCamberDeg: 0,
          staticToeDeg: 0,
          travel: { bumpMm: unknowns.bumpMm[travel], droopMm: unknowns.droopMm[travel] },
          fitted: question.fitted,
          obstacles: [],
        };
        return {
          suspension,
          corner,
          description: {
            corners: { [key]: corner },
            setup: wantedSetup(question),
            envelope: 'trail',
            standard: 'neverRub',
          },
        };
      }),
    ),
  );
}
