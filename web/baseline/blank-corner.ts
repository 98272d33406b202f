import type { LowgapCorner, LowgapFile } from '@/contracts/lowgap-file';
import { type CornerKey, axleOf, acrossFrom } from '@/core/2-vehicle/setup/corner-key';

/** A steering axis nobody has measured yet. */
export const BLANK_AXIS = { inclinationDeg: 12, casterDeg: 3, kingpinOffsetMm: 90, casterTrailMm: 0 };

/**
 * A corner nobody has measured yet. The numbers are starting values to be overwritten at the vehicle; they are
 * shown as such until the baseline is filled in.
 */
export function blankCorner(key: CornerKey): LowgapCorner {
  const front = axleOf(key) === 'front';
  return {
    motion: { type: 'swingArm', ...(front ? { frontView: { y: -1500, z: 0 } } : {}) },
    ...(front
      ? {
          steering: {
            ...BLANK_AXIS,
            lockLeftDeg: 32,
            lockRightDeg: 32,
          },
        }
      : {}),
    staticCamberDeg: 0,
    staticToeDeg: 0,
    travel: { bumpMm: 80, droopMm: 90 },
    fitted: { tire: { size: '265/70R17' }, wheel: { diameterIn: 17, widthIn: 8, offsetMm: 20 }, spacerMm: 0 },
    obstacles: [],
  };
}

/** A corner as the other side of its axle stands, marked so; its readings and heights are not carried over. */
export function mirroredCorner(key: CornerKey, other: LowgapCorner): LowgapCorner {
  const { hubToLipMm: _hub, groundToLipMm: _ground, typed, ...rest } = structuredClone(other);
  const { hubToLipMm: _typedHub, groundToLipMm: _typedGround, ...kept } = typed ?? {};
  const steering = rest.steering && {
    ...rest.steering,
    lockLeftDeg: rest.steering.lockRightDeg,
    lockRightDeg: rest.steering.lockLeftDeg,
  };
  return { ...rest, ...(steering ? { steering } : {}), typed: kept, obstacles: [], mirroredFrom: acrossFrom(key) };
}

/** The best first guess of a corner nobody has taken: its mirror image, else starting values. */
export function newCorner(key: CornerKey, corners: LowgapFile['corners']): LowgapCorner {
  const other = corners[acrossFrom(key)];
  return other ? mirroredCorner(key, other) : blankCorner(key);
}
