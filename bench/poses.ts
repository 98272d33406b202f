import { countParts } from '@/core/2-vehicle/setup/setup';
import { prepareCorner } from '@/core/4-clearance/case/prepared-corner';
import { timed, type Figure } from './measure';
import { cornerWith, setupWith } from './surveyed-corner';

const MANY = 2000;

const { motion } = prepareCorner('frontLeft', cornerWith('doubleWishbone', []), countParts(setupWith({})), 'trail');
let turn = 0;

/** ms of one pose of a double wishbone with tie rod: solved, its locks found, the wheel placed. */
export function poseMs(): number {
  const { median } = timed('', null, { warmUp: 2, runs: 9 }, () => {
    turn++;
    for (let k = 0; k < MANY; k++) {
      const state = motion.carrierAt(-95 + (180 * k) / MANY + (turn % 97) / 1000, 0);
      motion.locksAt(state);
      motion.wheelFrom(state, 0.3);
    }
  });
  return median / MANY;
}

/**
 * A figure told in poses too, which are measured before and after it, as the machine's speed swings; `reach` of them at most, null for
 * no goal.
 */
export function inPoses(reach: number | null, measure: () => Figure): Figure {
  const before = poseMs();
  const figure = measure();
  const poses = figure.median / ((before + poseMs()) / 2);
  return { ...figure, poses, reach, met: reach === null ? null : poses <= reach };
}
