import { attempt } from '../../1-base/problem';
import { toDegrees } from '../../1-base/units/angle';
import { cornerMotion, type CornerMotion, type CornerMotionInput } from '../motion/corner-motion';
import { wheelAngles, type WheelAngles } from '../motion/wheel-angles';
import type { CornerBaseline } from './corner-baseline';
import type { CornerKey } from './corner-key';
import { motionInput } from './motion-input';
import { alignHeightMm, type Setup } from './setup';

/** What an alignment at the new height changes, and by how much it stays off its targets, degrees. */
export interface AlignmentBack {
  readonly camberDeg: number;
  readonly casterDeg: number;
  /** Toe that the tie rod's new length takes out; 0 where no tie rod is known. */
  readonly toeDeg: number;
  readonly offCamberDeg: number;
  readonly offCasterDeg: number;
}

const NO_ALIGNMENT: AlignmentBack = { camberDeg: 0, casterDeg: 0, toeDeg: 0, offCamberDeg: 0, offCasterDeg: 0 };

/** degrees: an alignment bench reads no finer. */
export const SAME_ALIGNMENT_DEG = 0.01;

/** Caster and camber turn each other a little: taken back in turns. */
const MOST_TURNS = 6;
const SOLVED_DEG = 1e-7;

/**
 * What an alignment of a corner to its targets at the parked height of a setup does, as far as its adjusters reach: camber and caster at
 * the wheel, toe at the tie rod. Targets are those entered, else how it stood at the survey, with the setup's own changes.
 */
export function alignmentBack(key: CornerKey, corner: CornerBaseline, setup: Setup): AlignmentBack {
  const input = motionInput(key, corner, setup, 'surveyed');
  const found = attempt(() => solvedBack(input, corner, setup));
  // A height that the linkage does not reach is said where its limits are.
  return found.ok ? found.value : NO_ALIGNMENT;
}

function solvedBack(input: CornerMotionInput, corner: CornerBaseline, setup: Setup): AlignmentBack {
  const isBeam = corner.motion.type === 'beamAxle';
  const ride = alignHeightMm(setup);
  const anglesAt = (motion: CornerMotion, travel: number): WheelAngles =>
    wheelAngles(motion, motion.carrierAt(travel, 0));
  const surveyed = anglesAt(cornerMotion({ ...input, ...AS_SURVEYED }), 0);
  const wanted = {
    camberDeg: (corner.alignTo?.camberDeg ?? corner.staticCamberDeg) + setup.camberChangeDeg,
    casterDeg:
      surveyed.casterDeg === null ? null : (corner.alignTo?.casterDeg ?? surveyed.casterDeg) + setup.casterChangeDeg,
  };
  const reach = (by: number | undefined): number => by ?? (isBeam ? 0 : Infinity);
  const most = { camber: reach(corner.adjusters?.camberByDeg), caster: reach(corner.adjusters?.casterByDeg) };
  let back = NO_ALIGNMENT;
  for (let turn = 0; turn < MOST_TURNS; turn++) {
    const now = anglesAt(cornerMotion(setBack(input, back, setup)), ride);
    const offCamber = wanted.camberDeg - now.camberDeg;
    const offCaster = wanted.casterDeg === null || now.casterDeg === null ? 0 : wanted.casterDeg - now.casterDeg;
    const next = {
      camberDeg: within(back.camberDeg + offCamber, most.camber),
      casterDeg: within(back.casterDeg + offCaster, most.caster),
    };
    const moved = Math.max(Math.abs(next.camberDeg - back.camberDeg), Math.abs(next.casterDeg - back.casterDeg));
    back = { ...back, ...next, offCamberDeg: -offCamber, offCasterDeg: -offCaster };
    if (moved < SOLVED_DEG) break;
  }
  return { ...back, toeDeg: -bumpToeDeg(input, ride) };
}

const AS_SURVEYED = {
  casterChangeDeg: 0,
  strutTopDropMm: 0,
  hubDropMm: 0,
  armDropMm: 0,
  linkageDropMm: 0,
  axleShiftMm: 0,
};

const within = (value: number, most: number): number => Math.max(-most, Math.min(most, value));

export const setBack = (input: CornerMotionInput, back: AlignmentBack, setup: Setup): CornerMotionInput => ({
  ...input,
  camberDeg: input.camberDeg + back.camberDeg,
  casterChangeDeg: input.casterChangeDeg + back.casterDeg,
  rodSetAtMm: alignHeightMm(setup),
});

/** Toe (degrees, + in) that a tie rod of the surveyed length gives the wheel at a height, the rack at its middle. */
function bumpToeDeg(input: CornerMotionInput, travel: number): number {
  const motion = cornerMotion(input);
  const turned = motion.straightSteer(motion.carrierAt(travel, 0));
  const out = input.side === 'left' ? toDegrees(turned) : -toDegrees(turned);
  return -out;
}
