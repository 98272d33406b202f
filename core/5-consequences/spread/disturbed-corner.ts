import type { DrawnRow, EnvelopeKind } from '../../4-clearance/envelope/envelope-kind';
import { motionUnder } from '../../2-vehicle/setup/motion-under';
import { envelopeUnder, type PreparedCorner } from '../../4-clearance/case/prepared-corner';
import { prepareRotor, type Rotor } from '../../2-vehicle/setup/rotor';
import { surveyScene, type SurveyScene } from '../../3-survey/landing/survey-scene';
import { place, unplace, type Pose } from '../../1-base/geometry/pose';
import type { CarrierState } from '../../2-vehicle/motion/carrier';
import type { Carriage } from '../../2-vehicle/motion/mount';
import { attempt } from '../../1-base/problem';
import { remembered } from '../../1-base/remembered';
import { postureAt, type CandidatePlace } from './candidate-places';
import type { Fit, SharedError } from './shared-errors';

/** A corner with one shared number off by one standard deviation; by minus one where the first cannot be. */
export interface Disturbed {
  readonly sign: 1 | -1;
  readonly corner: PreparedCorner;
  readonly scene: SurveyScene;
}

export function disturbedCorner(
  corner: PreparedCorner,
  error: SharedError,
  fit: Fit,
  kind: EnvelopeKind,
  drawn: readonly DrawnRow[] | undefined,
): Disturbed | null {
  for (const sign of [1, -1] as const) {
    const { key } = corner;
    const made = attempt((): Disturbed => {
      const off = error.disturb(fit, sign);
      const motion = motionUnder(key, off.corner, off.setup);
      const envelope = envelopeUnder(key, off.corner, off.setup, kind, drawn);
      const rotor = prepareRotor(off.setup, 'setup', off.setup.allowances);
      // The linkage must reach its limits there too.
      for (const travel of [envelope.limits.lowest, envelope.limits.highest]) motion.carrierAt(travel, 0);
      return { sign, corner: { ...corner, motion, envelope, rotor }, scene: surveyScene(key, off.corner) };
    });
    if (made.ok) return made.value;
  }
  return null;
}

/** Wheel-plane numbers of the tried tire, by which a place is moved instead of the section. */
export interface RotorShift {
  /** mm per standard deviation: crown outward, sidewalls outward, centre plane outboard. */
  readonly radial: Float64Array;
  readonly lateral: Float64Array;
  readonly centre: Float64Array;
}

export function rotorShift({ rotor }: PreparedCorner, off: readonly (Disturbed | null)[]): RotorShift {
  const by = (number: (r: PreparedCorner['rotor']) => number): Float64Array =>
    Float64Array.from(off, (d) => (d ? d.sign * (number(d.corner.rotor) - number(rotor)) : 0));
  return {
    radial: by((r) => r.section.diameterMm / 2),
    lateral: by((r) => r.section.widthMm / 2),
    centre: by((r) => r.centrePlaneMm),
  };
}

/** Of the shared numbers those that give the tried tire another tread or shoulder and leave its diameter and width. */
export function reshaped({ rotor }: PreparedCorner, off: readonly (Disturbed | null)[]): number[] {
  const isReshaped = ({ section }: Rotor): boolean =>
    (section.treadWidthMm !== rotor.section.treadWidthMm ||
      section.shoulderRadiusMm !== rotor.section.shoulderRadiusMm) &&
    section.diameterMm === rotor.section.diameterMm &&
    section.widthMm === rotor.section.widthMm;
  return off.flatMap((disturbed, j) => (disturbed && isReshaped(disturbed.corner.rotor) ? [j] : []));
}

/** Poses at shares of the envelope, as it is and with each shared number off, worked out once for all that ask. */
export class PoseCache {
  readonly #corner: PreparedCorner;
  readonly #off: readonly (Disturbed | null)[];
  readonly #at = new Map<string, PosesAt>();
  /** Of the corner as it is, then of each that is off: the linkage solved by height and how far the axle crosses. */
  readonly #states: readonly Map<number, Map<number, CarrierState>>[];

  constructor(corner: PreparedCorner, off: readonly (Disturbed | null)[]) {
    this.#corner = corner;
    this.#off = off;
    this.#states = [null, ...off].map(() => new Map());
  }

  base(mount: Carriage, { shares }: CandidatePlace): BasePoses {
    const { bases, base } = this.#posesAt(shares);
    return remembered(bases, Infinity, mount, () => ({
      wheel: base.wheel,
      mount: this.#corner.motion.mountFrom(base.state, mount, base.steer),
    }));
  }

  /** Shift of a place in the wheel frame per standard deviation of each shared number, three numbers each. */
  shifts(mount: Carriage, at: CandidatePlace): Float64Array {
    const base = this.base(mount, at);
    const from = unplace(base.wheel, place(base.mount, at.point));
    const shifts = new Float64Array(3 * this.#off.length);
    this.#posesAt(at.shares).off.forEach((posed, j) => {
      if (!posed) return;
      const { corner, sign } = this.#off[j]!;
      const to = unplace(posed.wheel, place(corner.motion.mountFrom(posed.state, mount, posed.steer), at.point));
      for (let k = 0; k < 3; k++) shifts[3 * j + k] = sign * (to[k]! - from[k]!);
    });
    return shifts;
  }

  #posesAt(shares: CandidatePlace['shares']): PosesAt {
    return remembered(this.#at, Infinity, shares.join(':'), () => ({
      bases: new Map(),
      base: this.#posed(0, this.#corner, shares),
      off: this.#off.map((disturbed, j) => {
        const posed = disturbed && attempt(() => this.#posed(j + 1, disturbed.corner, shares));
        return posed?.ok ? posed.value : null;
      }),
    }));
  }

  #posed(which: number, corner: PreparedCorner, shares: CandidatePlace['shares']): Posed {
    const { travel, steer, cross = 0 } = postureAt(corner, shares);
    const atHeight = remembered(this.#states[which]!, Infinity, travel, () => new Map<number, CarrierState>());
    const state = remembered(atHeight, Infinity, cross, () => corner.motion.carrierAt(travel, cross));
    return { state, steer, wheel: corner.motion.wheelFrom(state, steer) };
  }
}

interface PosesAt {
  readonly bases: Map<Carriage, BasePoses>;
  readonly base: Posed;
  /** By shared number; null where the posture cannot be with it off. */
  readonly off: readonly (Posed | null)[];
}

interface BasePoses {
  readonly wheel: Pose;
  readonly mount: Pose;
}

interface Posed {
  readonly state: CarrierState;
  readonly steer: number;
  readonly wheel: Pose;
}
