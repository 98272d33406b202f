import type { LowgapCorner } from '@/contracts/lowgap-file';
import type { CornerKey } from '@/core/clearance/description';

/** A steering axis nobody has measured yet. */
export const BLANK_AXIS = { inclinationDeg: 12, casterDeg: 3, kingpinOffsetMm: 90, casterTrailMm: 0 };

/**
 * A corner nobody has measured yet. The numbers are starting values to be overwritten at the vehicle; they are
 * shown as such until the baseline is filled in.
 */
export function blankCorner(key: CornerKey): LowgapCorner {
  const front = key.startsWith('front');
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
