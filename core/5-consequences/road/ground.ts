import { toDegrees } from '../../1-base/units/angle';

/**
 * Angles by which a vehicle meets the ground, degrees: between the ground and a line from a tire's contact, tangent to the tire, to
 * the lowest place ahead of or behind it (SAE J1100, ISO 612, definitions from memory). `reachMm` from the wheel's centre along
 * the vehicle, `heightMm` over the ground, `loadedRadiusMm` of that wheel.
 */
export function endAngleDeg(reachMm: number, heightMm: number, loadedRadiusMm: number): number {
  // A line through the overhang's lowest place that touches the tire's circle from outside and below.
  const [x, y] = [reachMm, heightMm - loadedRadiusMm];
  const far = Math.hypot(x, y);
  if (far <= loadedRadiusMm) return 90;
  return toDegrees(Math.asin(loadedRadiusMm / far) + Math.atan2(y, x));
}

/**
 * Ramp breakover angle, degrees: the supplement of the largest angle between lines from front and rear contact, tangent to the
 * tires, that meet at the vehicle's lowest place between the axles (SAE J1100, ISO 612, from memory). `behindFrontMm` from the front
 * wheel's centre.
 */
export const breakoverAngleDeg = (
  behindFrontMm: number,
  heightMm: number,
  wheelbaseMm: number,
  frontRadiusMm: number,
  rearRadiusMm: number,
): number =>
  endAngleDeg(behindFrontMm, heightMm, frontRadiusMm) +
  endAngleDeg(wheelbaseMm - behindFrontMm, heightMm, rearRadiusMm);

/** Static stability factor: track over twice the height of the center of gravity (NHTSA, definition from memory). */
export const staticStabilityFactor = (trackMm: number, centreOfGravityMm: number): number =>
  trackMm / (2 * centreOfGravityMm);

/** Slope sideways at which a rigid vehicle stands on two wheels, degrees: the arc tangent of the static stability factor. */
export const tiltAngleDeg = (factor: number): number => toDegrees(Math.atan(factor));

/** Engine speed, 1/min, at a road speed: wheel turns by the tire's way of one turn, times the ratios of axle and gear. */
export const engineSpeed = (kmh: number, rollingMm: number, axleRatio: number, gearRatio: number): number =>
  ((kmh * 1e6) / 60 / rollingMm) * axleRatio * gearRatio;

/** What an axle ratio works out to with a tire whose way of one turn is `rollingRatio` times the former's: with the old tire it gave the same engine speed. */
export const effectiveAxleRatio = (axleRatio: number, rollingRatio: number): number => axleRatio / rollingRatio;

/** The axle ratio that restores what the former tire had. */
export const restoringAxleRatio = (axleRatio: number, rollingRatio: number): number => axleRatio * rollingRatio;
