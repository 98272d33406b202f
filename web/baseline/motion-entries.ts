/** The tape measurements of each suspension: only what its model needs, everything else has a default. */
import type { LowgapCorner } from '@/contracts/lowgap-file';
import { LIMITS, type Range } from '@/core/1-base/limits';
import { USUAL_STOP_SHARE } from '@/core/2-vehicle/motion/axle-stops';
import { armAngleDeg, armRiseMm, TAPE_DEFAULTS } from '@/core/2-vehicle/motion/from-tape';
import type { Entry } from './baseline-entries';

export type Motion = LowgapCorner['motion'];
export type MotionType = Motion['type'];

export const MOTION_CHOICES: readonly { value: MotionType; title: string }[] = [
  { value: 'doubleWishbone', title: 'Double wishbone (two arms)' },
  { value: 'macphersonStrut', title: 'Strut (one arm)' },
  { value: 'beamAxle', title: 'Beam axle, links or leaves' },
  { value: 'trailingArm', title: 'Trailing arm' },
  { value: 'swingArm', title: 'Swing centers, known or estimated' },
];

/** What nobody has measured yet: a start to be overwritten at the vehicle. */
export function blankMotion(type: MotionType): Motion {
  switch (type) {
    case 'swingArm':
      return { type, frontView: { y: -1500, z: 0 } };
    case 'doubleWishbone':
      return { type, tape: { lowerArmMm: 380 } };
    case 'macphersonStrut':
      return { type, tape: { lowerArmMm: 340 } };
    case 'beamAxle':
      return { type, hubSpacingMm: 1500, ...usualStops(1500) };
    case 'trailingArm':
      return { type, tape: { armMm: 450 } };
  }
}

/** Where stops and shocks of an axle that nobody measured are taken to stand, mm. */
const usualStops = (hubSpacingMm: number) => ({
  stopSpacingMm: USUAL_STOP_SHARE * hubSpacingMm,
  shockSpacingMm: USUAL_STOP_SHARE * hubSpacingMm,
});

export function motionHelp(motion: Motion): string {
  if (motion.type === 'swingArm') return 'Leave empty for a wheel that goes straight up.';
  if (motion.type === 'beamAxle') {
    return motion.stopSpacingMm === undefined
      ? 'As in older jobs, each wheel is taken to stop for itself. Bump stops stand well inboard: flexed, one wheel then goes past its bump travel, and the verdict may be too kind. Measure how far apart they stand.'
      : 'Both wheels on one axle: where its bump stops and shocks stand says how far one wheel goes while the other hangs.';
  }
  if (motion.points) return `${Object.keys(motion.points).length} hard points, as they came with the file.`;
  return 'Seen from the front at ride height. Left empty, a usual value stands in.';
}

type Tape = Record<string, number | undefined>;

/** A tape measurement of the motion, by its name in the file. */
const tapeEntry = (field: string, label: string, range: Range, needed = false, quantity?: 'degrees'): Entry => ({
  label,
  range,
  optional: !needed,
  typedAs: `motion.${field}`,
  ...(quantity ? { quantity } : {}),
  read: (c) => ('tape' in c.motion ? (c.motion.tape as Tape | undefined)?.[field] : undefined),
  write: (c, v) => {
    if (!('tape' in c.motion) || !c.motion.tape) return;
    const tape = c.motion.tape as Tape;
    if (v === undefined) delete tape[field];
    else tape[field] = v;
  },
});

/** The same rise by an angle finder on the arm, for whom that is easier than two heights. */
const armAngleEntry = (which: 'lower' | 'upper'): Entry => {
  const armOf = (tape: Tape): number | undefined =>
    tape[`${which}ArmMm`] ??
    (tape['lowerArmMm'] === undefined ? undefined : TAPE_DEFAULTS.upperArmShare * tape['lowerArmMm']);
  const tapeOf = (c: LowgapCorner): Tape | undefined => ('tape' in c.motion ? (c.motion.tape as Tape) : undefined);
  return {
    label: 'Or its angle, rising inboard +',
    range: LIMITS.sweepDeg,
    optional: true,
    typedAs: `motion.${which}ArmDeg`,
    quantity: 'degrees',
    read: (c) => {
      const tape = tapeOf(c);
      const rise = tape?.[`${which}ArmRiseMm`];
      const arm = tape && armOf(tape);
      if (rise === undefined || arm === undefined || Math.abs(rise) > arm) return undefined;
      return Math.round(10 * armAngleDeg(arm, rise)) / 10;
    },
    write: (c, angle) => {
      const tape = tapeOf(c);
      const arm = tape && armOf(tape);
      if (!tape || arm === undefined) return;
      if (angle === undefined) delete tape[`${which}ArmRiseMm`];
      else tape[`${which}ArmRiseMm`] = Math.round(10 * armRiseMm(arm, angle)) / 10;
    },
  };
};

const LOWER_ARM: readonly Entry[] = [
  tapeEntry('lowerArmMm', 'Lower arm, pivot to ball joint', LIMITS.armMm, true),
  tapeEntry('lowerArmRiseMm', 'Its pivot above the ball joint', LIMITS.riseMm),
  armAngleEntry('lower'),
  tapeEntry(
    'lowerJointDownMm',
    `Hub center down to the ball joint (usual ${TAPE_DEFAULTS.lowerJointDownMm})`,
    LIMITS.jointMm,
  ),
  tapeEntry(
    'lowerJointInboardMm',
    `Hub face in to the ball joint (usual ${TAPE_DEFAULTS.lowerJointInboardMm})`,
    LIMITS.jointMm,
  ),
];

/** The tie rod by tape: with its length, bump steer counts. */
const TIE_ROD: readonly Entry[] = [
  tapeEntry('tieRodMm', 'Tie rod, joint to joint (bump steer; empty: none counted)', LIMITS.armMm),
  tapeEntry(
    'tieRodBehindMm',
    `Its outer end behind the hub center, - ahead (usual ${TAPE_DEFAULTS.tieRodBehindMm})`,
    LIMITS.jointMm,
  ),
  tapeEntry(
    'tieRodUpMm',
    `Its outer end above the hub center, - below (usual ${TAPE_DEFAULTS.tieRodUpMm})`,
    LIMITS.jointMm,
  ),
  tapeEntry('tieRodInboardMm', `Hub face in to its outer end (usual ${TAPE_DEFAULTS.tieRodInboardMm})`, LIMITS.jointMm),
  tapeEntry('tieRodRiseMm', 'Rack end above its outer end', LIMITS.riseMm),
];

const DOUBLE_WISHBONE: readonly Entry[] = [
  ...LOWER_ARM,
  tapeEntry('upperArmMm', 'Upper arm, pivot to ball joint', LIMITS.armMm),
  tapeEntry('upperArmRiseMm', 'Its pivot above the ball joint', LIMITS.riseMm),
  armAngleEntry('upper'),
  tapeEntry(
    'upperJointUpMm',
    `Hub center up to the ball joint (usual ${TAPE_DEFAULTS.upperJointUpMm})`,
    LIMITS.jointMm,
  ),
  tapeEntry('upperJointInboardMm', 'Hub face in to the upper joint', LIMITS.jointMm),
  tapeEntry('upperJointBehindMm', 'Upper joint behind the lower', LIMITS.jointMm),
  ...TIE_ROD,
];

const STRUT: readonly Entry[] = [
  ...LOWER_ARM,
  tapeEntry('topUpMm', `Hub center up to the strut mount (usual ${TAPE_DEFAULTS.topUpMm})`, LIMITS.jointMm),
  tapeEntry('topInboardMm', 'Hub face in to the strut mount', LIMITS.jointMm),
  tapeEntry('topBehindMm', 'Strut mount behind the ball joint', LIMITS.jointMm),
  ...TIE_ROD,
];

const TRAILING: readonly Entry[] = [
  tapeEntry('armMm', 'Pivot to hub center', LIMITS.armMm, true),
  tapeEntry('pivotRiseMm', 'Pivot above the hub center', LIMITS.riseMm),
  tapeEntry('sweepDeg', 'Pivot line swept back inboard', LIMITS.sweepDeg, false, 'degrees'),
];

/** The link's frame end from the hub: ahead is +, above is +. */
const linkEntry = (axis: 0 | 2, label: string, range: Range): Entry => ({
  label,
  range,
  optional: true,
  typedAs: `motion.link${axis}`,
  read: (c) => (c.motion.type === 'beamAxle' ? c.motion.points?.linkPivot?.[axis] : undefined),
  write: (c, v) => {
    if (c.motion.type !== 'beamAxle') return;
    const { linkPivot, ...rest } = c.motion.points ?? {};
    if (v === undefined && axis === 0) {
      c.motion.points = rest;
      return;
    }
    const moved: [number, number, number] = linkPivot ? [...linkPivot] : [-900, 0, 0];
    moved[axis] = v ?? 0;
    c.motion.points = { ...rest, linkPivot: moved };
  },
});

type BeamAxle = Extract<Motion, { type: 'beamAxle' }>;
const beamOf = (c: LowgapCorner): BeamAxle | null => (c.motion.type === 'beamAxle' ? c.motion : null);

/** Where the axle's stops or shocks stand; may be left out only where an older job left it out. */
const spacingEntry = (field: 'stopSpacingMm' | 'shockSpacingMm', label: string, isOptional: boolean): Entry => ({
  label,
  range: LIMITS.stopSpacingMm,
  typedAs: field,
  optional: isOptional,
  read: (c) => beamOf(c)?.[field],
  write: (c, v) => {
    const beam = beamOf(c);
    if (!beam) return;
    if (v === undefined) delete beam[field];
    else beam[field] = v;
  },
});

/** An end of the panhard rod, inboard of this hub's face and above its center; both ends or neither. */
const panhardEntry = (end: 'panhardFrame' | 'panhardAxle', axis: 1 | 2, label: string): Entry => ({
  label,
  range: axis === 1 ? LIMITS.hubSpacingMm : LIMITS.riseMm,
  optional: true,
  typedAs: `motion.${end}${axis}`,
  read: (c) => {
    const value = beamOf(c)?.points?.[end]?.[axis];
    return axis === 1 ? negated(value) : value;
  },
  write: (c, v) => {
    const beam = beamOf(c);
    if (!beam) return;
    const { [end]: was, ...rest } = beam.points ?? {};
    if (v === undefined && axis === 1) {
      beam.points = rest;
      return;
    }
    const moved: [number, number, number] = was ? [...was] : [0, 0, 0];
    moved[axis] = axis === 1 ? -(v ?? 0) : (v ?? 0);
    beam.points = { ...rest, [end]: moved };
  },
});

/** What leads a beam axle fore and aft. */
export type LedBy = 'link' | 'leaf' | 'arms';

export const ledBy = (motion: BeamAxle): LedBy => {
  if (motion.points?.lowerArmFrame) return 'arms';
  return motion.leaf ? 'leaf' : 'link';
};

/** Upper and lower arms that nobody measured: ahead of a rear axle, behind a front one. */
const usualArms = (ahead: 1 | -1): NonNullable<BeamAxle['points']> => ({
  lowerArmFrame: [ahead * 620, 0, 20],
  lowerArmAxle: [0, 0, -60],
  upperArmFrame: [ahead * 480, 0, 130],
  upperArmAxle: [ahead * 40, 0, 120],
});

/** The same axle led otherwise: what led it before is let go. */
export function leadBy(motion: BeamAxle, by: LedBy, isFront: boolean): void {
  const { lowerArmFrame: _a, lowerArmAxle: _b, upperArmFrame: _c, upperArmAxle: _d, ...rest } = motion.points ?? {};
  const { linkPivot: _link, ...others } = rest;
  motion.points = by === 'arms' ? { ...others, ...usualArms(isFront ? -1 : 1) } : rest;
  if (by === 'leaf') motion.leaf = true;
  else delete motion.leaf;
}

type ArmEnd = 'lowerArmFrame' | 'lowerArmAxle' | 'upperArmFrame' | 'upperArmAxle';
const armEntry = (end: ArmEnd, axis: 0 | 2, label: string): Entry => ({
  label,
  range: axis === 0 ? LIMITS.coordinateMm : LIMITS.riseMm,
  typedAs: `motion.${end}${axis}`,
  read: (c) => beamOf(c)?.points?.[end]?.[axis],
  write: (c, v) => {
    const points = beamOf(c)?.points;
    const was = points?.[end];
    if (!points || !was || v === undefined) return;
    const moved: [number, number, number] = [...was];
    moved[axis] = v;
    points[end] = moved;
  },
});

const ARM_ENDS: readonly Entry[] = [
  armEntry('lowerArmFrame', 0, 'Lower arm, frame end: ahead of the hub (- behind)'),
  armEntry('lowerArmFrame', 2, '… and above the hub'),
  armEntry('lowerArmAxle', 0, 'Lower arm, axle end: ahead of the hub (- behind)'),
  armEntry('lowerArmAxle', 2, '… and above the hub'),
  armEntry('upperArmFrame', 0, 'Upper arm, frame end: ahead of the hub (- behind)'),
  armEntry('upperArmFrame', 2, '… and above the hub'),
  armEntry('upperArmAxle', 0, 'Upper arm, axle end: ahead of the hub (- behind)'),
  armEntry('upperArmAxle', 2, '… and above the hub'),
];

const beamEntries = (motion: BeamAxle): readonly Entry[] => [
  {
    label: 'Hub face to hub face across the axle',
    range: LIMITS.hubSpacingMm,
    typedAs: 'motion.hubSpacingMm',
    read: (c) => (c.motion.type === 'beamAxle' ? c.motion.hubSpacingMm : undefined),
    write: (c, v) => {
      const beam = beamOf(c);
      if (!beam || v === undefined) return;
      beam.hubSpacingMm = v;
      // What stands in goes with the axle.
      const usual = usualStops(v);
      for (const field of ['stopSpacingMm', 'shockSpacingMm'] as const) {
        if (c.starting?.includes(field)) beam[field] = usual[field];
      }
    },
  },
  spacingEntry('stopSpacingMm', 'Bump stop to bump stop across the axle', motion.stopSpacingMm === undefined),
  spacingEntry('shockSpacingMm', 'Shock to shock, where they meet the axle', motion.shockSpacingMm === undefined),
  ...(ledBy(motion) === 'arms'
    ? ARM_ENDS
    : [
        linkEntry(0, 'Link or fixed spring eye ahead of the hub (- behind)', LIMITS.coordinateMm),
        linkEntry(2, '… and above the hub', LIMITS.riseMm),
      ]),
  panhardEntry('panhardFrame', 1, 'Panhard rod, frame end: inboard of this hub face'),
  panhardEntry('panhardFrame', 2, '… and above the hub'),
  panhardEntry('panhardAxle', 1, 'Panhard rod, axle end: inboard of this hub face'),
  panhardEntry('panhardAxle', 2, '… and above the hub'),
];

type SwingArm = Extract<Motion, { type: 'swingArm' }>;

const swingOf = (c: LowgapCorner): SwingArm => c.motion as SwingArm;
const front = (c: LowgapCorner) => (swingOf(c).frontView ??= { y: -1500, z: 0 });
const side = (c: LowgapCorner) => (swingOf(c).sideView ??= { x: -2500, z: 0 });

/** Where an arm's inner pivot is: things fixed to the arm go by it. */
const pivotEntry = (which: 'upper' | 'lower', label: string): Entry => {
  const key = `${which}PivotYMm` as const;
  return {
    label,
    typedAs: key,
    optional: true,
    range: LIMITS.armMm,
    read: (c) => negated(swingOf(c)[key]),
    write: (c, v) => {
      if (v === undefined) delete swingOf(c)[key];
      else swingOf(c)[key] = -v;
    },
  };
};

const SWING: readonly Entry[] = [
  {
    label: 'Seen from the front: inboard to the swing center',
    typedAs: 'frontY',
    optional: true,
    range: LIMITS.instantCentreMm,
    read: (c) => negated(swingOf(c).frontView?.y),
    write: (c, v) => (v === undefined ? (swingOf(c).frontView = null) : (front(c).y = -v)),
  },
  {
    label: '… and its height above the hub',
    typedAs: 'frontZ',
    optional: true,
    range: LIMITS.instantCentreMm,
    read: (c) => swingOf(c).frontView?.z,
    write: (c, v) => (front(c).z = v ?? 0),
  },
  {
    label: 'Seen from the side: rearward to the swing center',
    typedAs: 'sideX',
    optional: true,
    range: LIMITS.instantCentreMm,
    read: (c) => negated(swingOf(c).sideView?.x),
    write: (c, v) => (v === undefined ? (swingOf(c).sideView = null) : (side(c).x = -v)),
  },
  {
    label: '… and its height above the hub',
    typedAs: 'sideZ',
    optional: true,
    range: LIMITS.instantCentreMm,
    read: (c) => swingOf(c).sideView?.z,
    write: (c, v) => (side(c).z = v ?? 0),
  },
  pivotEntry('lower', 'Lower arm, if there is one: inner pivot inboard of the hub face'),
  pivotEntry('upper', 'Upper arm, if there is one: inner pivot inboard of the hub face'),
];

function negated(value: number | undefined): number | undefined {
  return value === undefined ? undefined : 0 - value;
}

export function motionEntries(motion: Motion): readonly Entry[] {
  switch (motion.type) {
    case 'swingArm':
      return SWING;
    case 'doubleWishbone':
      return motion.points ? [] : DOUBLE_WISHBONE;
    case 'macphersonStrut':
      return motion.points ? [] : STRUT;
    case 'trailingArm':
      return motion.points ? [] : TRAILING;
    case 'beamAxle':
      return beamEntries(motion);
  }
}
