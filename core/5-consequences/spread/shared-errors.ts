import type { CornerDescription } from '../../3-survey/description/corner-description';
import type { Setup } from '../../2-vehicle/setup/setup';
import type { WheelAndTire } from '../../2-vehicle/setup/wheel-and-tire';
import { type MotionDescription, hasBallJoints } from '../../2-vehicle/motion/motion-description';
import { USUAL_ARMS } from '../../2-vehicle/motion/swing-arm';
import { attempt } from '../../1-base/problem';
import type { TireDescription } from '../../2-vehicle/tire/dimensions';
import { tireSection } from '../../2-vehicle/tire/section';
import { wheelOffsetMm } from '../../2-vehicle/wheel/rim';
import type { StartingValue } from '../../3-survey/known/known';
import { UNMEASURED, USUAL } from '../../3-survey/reading/usual-errors';

/** A corner with a setup on it. */
export interface Fit {
  readonly corner: CornerDescription;
  readonly setup: Setup;
}

/** What was measured or taken for granted, other than an obstacle's own place. */
export type SharedSource =
  | 'fittedTire'
  | 'fittedOffset'
  | 'triedTire'
  | 'triedOffset'
  | 'bumpTravel'
  | 'droopTravel'
  | 'parkedHeight'
  | 'hubToLip'
  | 'locks'
  | 'steerStops'
  | 'alignment'
  | 'steeringAxis'
  | 'hardPoints'
  /** What the model leaves out where nobody measured it: rubber that gives, stops that stand inboard. */
  | 'compliance'
  | 'articulation';

/** One number that may be off, and that shifts more than one gap. */
export interface SharedError {
  readonly source: SharedSource;
  /** The number's own name, for repeatable draws. */
  readonly name: string;
  /** Off, it lets the wheel go further and takes nothing away: what is met without it is still met, and its sign does not matter. */
  readonly onlyWidens?: boolean;
  /** The same fit with the number off by `z` standard deviations. */
  disturb(fit: Fit, z: number): Fit;
}

/**
 * Every shared number of a fit that may be off. Tire and wheel count once where the tried ones are the fitted ones; a starting value
 * that nobody measured may be off by as much as vehicles differ.
 */
export function sharedErrors({ corner, setup }: Fit): SharedError[] {
  const stands = (value: StartingValue): boolean => corner.starting?.includes(value) ?? false;
  const sigma = (value: StartingValue, usual: number, unmeasured: number): number =>
    stands(value) ? unmeasured : usual;
  const errors: SharedError[] = [];
  const onCorner = (source: SharedSource, name: string, change: (c: CornerDescription, z: number) => object): void => {
    errors.push({
      source,
      name,
      disturb: (fit, z) => ({ ...fit, corner: { ...fit.corner, ...change(fit.corner, z) } }),
    });
  };
  const onSetup = (source: SharedSource, name: string, change: (s: Setup, z: number) => object): void => {
    errors.push({ source, name, disturb: (fit, z) => ({ ...fit, setup: { ...fit.setup, ...change(fit.setup, z) } }) });
  };

  const sameTire = JSON.stringify(setup.tire) === JSON.stringify(corner.fitted.tire);
  const sameWheel = JSON.stringify(setup.wheel) === JSON.stringify(corner.fitted.wheel);
  const both = (name: string, source: SharedSource, change: FitmentChange, together: boolean): void => {
    errors.push({
      source,
      name,
      disturb: (fit, z) => ({
        corner: { ...fit.corner, fitted: { ...fit.corner.fitted, ...change(fit.corner.fitted, z) } },
        setup: together ? { ...fit.setup, ...change(fit.setup, z) } : fit.setup,
      }),
    });
  };
  both('fitted diameter', 'fittedTire', tireOff('diameter', stands('tire')), sameTire);
  both('fitted width', 'fittedTire', tireOff('width', stands('tire')), sameTire);
  both('fitted tread', 'fittedTire', treadOff(corner.fitted), sameTire);
  both('fitted shoulder', 'fittedTire', shoulderOff(corner.fitted), sameTire);
  both('fitted offset', 'fittedOffset', offsetOff(stands('wheel')), sameWheel);
  if (!sameTire) {
    onSetup('triedTire', 'tried diameter', tireOff('diameter'));
    onSetup('triedTire', 'tried width', tireOff('width'));
    onSetup('triedTire', 'tried tread', treadOff(setup));
    onSetup('triedTire', 'tried shoulder', shoulderOff(setup));
  }
  if (!sameWheel) onSetup('triedOffset', 'tried offset', offsetOff(false));

  const bumpMm = sigma('bumpMm', USUAL.bumpMm, UNMEASURED.bumpMm);
  const droopMm = sigma('droopMm', USUAL.droopMm, UNMEASURED.droopMm);
  // The stops move, not the surveyed travel: readings taken at a stop stay readings at that stop.
  onSetup('bumpTravel', 'bump', (s, z) => ({ bumpLimitShiftMm: s.bumpLimitShiftMm + bumpMm * z }));
  onSetup('droopTravel', 'droop', (s, z) => ({ droopLimitShiftMm: s.droopLimitShiftMm + droopMm * z }));
  onSetup('parkedHeight', 'parked', (s, z) => ({ suspensionLiftMm: s.suspensionLiftMm + USUAL.parkedMm * z }));
  const { hubToLipMm, steering } = corner;
  if (hubToLipMm !== undefined && corner.obstacles.some((o) => o.readings?.some((r) => r.hubToLipMm !== undefined))) {
    onCorner('hubToLip', 'hub to lip', (_, z) => ({ hubToLipMm: hubToLipMm + USUAL.hubToLipMm * z }));
  }
  if (steering) {
    const keys = ['lockLeftDeg', 'lockRightDeg'] as const;
    for (const key of keys) {
      onCorner('locks', key, (c, z) => ({
        steering: { ...c.steering, [key]: angle(steering[key] + sigma(key, USUAL.lockDeg, UNMEASURED.lockDeg) * z) },
      }));
    }
    for (const key of ['steerStopLeftDeg', 'steerStopRightDeg'] as const) {
      const stop = setup[key];
      if (stop !== undefined) onSetup('steerStops', key, (_, z) => ({ [key]: angle(stop + USUAL.steerStopDeg * z) }));
    }
    if (!hasBallJoints(corner.motion)) {
      for (const [key, usual, unmeasured] of AXIS_NUMBERS) {
        const value = steering[key] ?? 0;
        const by = sigma(key, usual, unmeasured);
        onCorner('steeringAxis', key, (c, z) => ({ steering: { ...c.steering, [key]: value + by * z } }));
      }
    }
  }
  onCorner('alignment', 'camber', (c, z) => ({
    staticCamberDeg: c.staticCamberDeg + sigma('staticCamberDeg', USUAL.camberDeg, UNMEASURED.camberDeg) * z,
  }));
  onCorner('alignment', 'toe', (c, z) => ({
    staticToeDeg: c.staticToeDeg + sigma('staticToeDeg', USUAL.toeDeg, UNMEASURED.toeDeg) * z,
  }));
  if (corner.complianceMm === undefined) {
    // Rubber lets the wheel go fore and aft, in reverse above all.
    onSetup('compliance', 'bushing give', (s, z) => ({ axleShiftMm: s.axleShiftMm + UNMEASURED.bushingGiveMm * z }));
  }
  const { motion } = corner;
  if (motion.type === 'beamAxle' && motion.stopSpacingMm === undefined && motion.shockSpacingMm === undefined) {
    // Counted as stopped at its hubs; stops stand inboard of them.
    const { hubSpacingMm } = motion;
    errors.push({
      source: 'articulation',
      name: 'stops inboard',
      onlyWidens: true,
      disturb: ({ corner: c, ...fit }, z) => ({
        ...fit,
        corner: {
          ...c,
          motion: {
            ...(c.motion as typeof motion),
            stopSpacingMm: hubSpacingMm * (1 - UNMEASURED.stopInboardShare * Math.abs(z)),
          },
        },
      }),
    });
  }
  if (motion.type === 'swingArm') {
    for (const which of ['upper', 'lower'] as const) {
      const key = `${which}PivotYMm` as const;
      if (motion[key] !== undefined || !corner.obstacles.some(({ mount }) => mount === `${which}Arm`)) continue;
      const usual = USUAL_ARMS[which].pivotY;
      onCorner('hardPoints', key, (c, z) => ({ motion: { ...c.motion, [key]: usual + UNMEASURED.armPivotMm * z } }));
    }
  }
  for (const { name, off } of motionNumbers(corner.motion, stands)) {
    onCorner('hardPoints', name, (c, z) => ({ motion: off(c.motion, z) }));
  }
  return errors;
}

/** A lock stays one, however far off it is drawn. */
const angle = (degrees: number): number => Math.max(0.1, degrees);

type FitmentChange = (fitment: WheelAndTire, z: number) => Partial<WheelAndTire>;

const AXIS_NUMBERS = [
  ['inclinationDeg', USUAL.axisDeg, UNMEASURED.axisDeg],
  ['casterDeg', USUAL.axisDeg, UNMEASURED.axisDeg],
  ['kingpinOffsetMm', USUAL.hardPointMm, UNMEASURED.kingpinOffsetMm],
] as const;

const tireOff =
  (which: 'diameter' | 'width', isStarting = false): FitmentChange =>
  ({ tire, wheel }, z) => {
    const section = tireSection(tire, wheel.widthIn);
    const key = which === 'diameter' ? 'measuredDiameterMm' : 'measuredWidthMm';
    const value = which === 'diameter' ? section.diameterMm : section.widthMm;
    const share = which === 'diameter' ? USUAL.diameterShare : USUAL.widthShare;
    const unread = which === 'diameter' && tire.underPrintMm !== undefined ? USUAL.underPrintMm : share * value;
    const usual = tire[key] === undefined ? unread : USUAL.measuredTireMm;
    const sigma = isStarting && tire[key] === undefined ? UNMEASURED.tireShare * value : usual;
    return { tire: { ...tire, [key]: value + sigma * z } };
  };

/** A tread as far off as its measuring, its kind or any kind lets it be, within what its section can have. */
function treadOff({ tire, wheel }: WheelAndTire): FitmentChange {
  const share = tire.kind === undefined ? USUAL.treadShareOfAny : USUAL.treadShareOfKind;
  const sigma =
    tire.treadWidthMm === undefined ? share * tireSection(tire, wheel.widthIn).treadWidthMm : USUAL.measuredTreadMm;
  return (fitment, z) => {
    const { treadWidthMm, shoulderRadiusMm } = tireSection(fitment.tire, fitment.wheel.widthIn);
    const kept = { ...fitment.tire, shoulderRadiusMm };
    return { tire: nearestShape(kept, fitment.wheel.widthIn, treadWidthMm + sigma * z, treadWidthMm) };
  };
}

function shoulderOff({ tire, wheel }: WheelAndTire): FitmentChange {
  const section = tireSection(tire, wheel.widthIn);
  const heightMm = 2 * (section.diameterMm / 2 - section.widestRadiusMm);
  const isTold = tire.shoulder !== undefined || tire.kind !== undefined;
  const share = isTold ? USUAL.shoulderShareByPicture : USUAL.shoulderShareOfAny;
  const sigma = tire.shoulderRadiusMm === undefined ? share * heightMm : USUAL.measuredShoulderMm;
  return (fitment, z) => {
    const { treadWidthMm, shoulderRadiusMm } = tireSection(fitment.tire, fitment.wheel.widthIn);
    const off = { ...fitment.tire, shoulderRadiusMm: Math.max(0, shoulderRadiusMm + sigma * z) };
    return { tire: nearestShape(off, fitment.wheel.widthIn, treadWidthMm, treadWidthMm) };
  };
}

/** A tire with this tread, or with the one it had where its section cannot have it. */
function nearestShape(tire: TireDescription, rimWidthIn: number, treadWidthMm: number, hadMm: number): TireDescription {
  const wanted = { ...tire, treadWidthMm };
  return attempt(() => tireSection(wanted, rimWidthIn)).ok ? wanted : { ...tire, treadWidthMm: hadMm };
}

const offsetOff =
  (isStarting: boolean): FitmentChange =>
  ({ wheel }, z) => {
    const usual = wheel.offsetMm === undefined ? USUAL.backspacingMm : USUAL.offsetMm;
    const offsetMm = wheelOffsetMm(wheel) + (isStarting ? UNMEASURED.offsetMm : usual) * z;
    return { wheel: { diameterIn: wheel.diameterIn, widthIn: wheel.widthIn, offsetMm } };
  };

interface MotionNumber {
  readonly name: string;
  off(motion: MotionDescription, z: number): MotionDescription;
}

/** Numbers of a motion that may be off, found by walking what was entered. */
function motionNumbers(motion: MotionDescription, stands: (value: StartingValue) => boolean): MotionNumber[] {
  const found: MotionNumber[] = [];
  const walk = (value: unknown, path: readonly (string | number)[]): void => {
    if (typeof value === 'number') {
      const sigma = sigmaOf(motion, path, value, stands);
      const off = (other: MotionDescription, z: number): MotionDescription =>
        replaced(other, path, value + sigma * z) as MotionDescription;
      found.push({ name: path.join('.'), off });
    } else if (Array.isArray(value)) value.forEach((v, i) => walk(v, [...path, i]));
    else if (value !== null && typeof value === 'object') {
      for (const [key, v] of Object.entries(value)) walk(v, [...path, key]);
    }
  };
  walk(motion, []);
  return found;
}

function sigmaOf(
  motion: MotionDescription,
  path: readonly (string | number)[],
  value: number,
  stands: (value: StartingValue) => boolean,
): number {
  const name = path.at(-1);
  if (motion.type === 'beamAxle' && (name === 'stopSpacingMm' || name === 'shockSpacingMm') && stands(name)) {
    return UNMEASURED.stopShare * motion.hubSpacingMm;
  }
  if (motion.type === 'swingArm' && !String(name).endsWith('PivotYMm')) {
    return Math.max(USUAL.instantCentreMm, USUAL.instantCentreShare * Math.abs(value));
  }
  return String(name).endsWith('Deg') ? USUAL.armDeg : USUAL.hardPointMm;
}

function replaced(value: unknown, [key, ...rest]: readonly (string | number)[], leaf: number): unknown {
  if (key === undefined) return leaf;
  if (Array.isArray(value)) return value.map((v: unknown, i) => (i === key ? replaced(v, rest, leaf) : v));
  const object = value as Record<string, unknown>;
  return { ...object, [key]: replaced(object[key], rest, leaf) };
}
