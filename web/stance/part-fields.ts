import { LIMITS, type Range } from '@/core/1-base/limits';
import type { LiftPart } from '@/core/2-vehicle/setup/lift-part';

export const PART_WORDS: Readonly<Record<LiftPart['kind'], string>> = {
  ride: 'Lift or lowering on the spring, as sold',
  coilSpring: 'Other coil springs',
  springSpacer: 'Spacer, shim or preload on a coil',
  collar: 'Threaded collar under a coil',
  torsionBar: 'Torsion bar screwed up or down',
  addedLeaf: 'Leaf added to the pack',
  strutTopSpacer: 'Spacer on top of the strut',
  block: 'Block on a leaf spring',
  shackle: 'Longer shackle',
  drop: 'Sub-frame drop',
  liftSpindle: 'Lift spindle (hub lower on its knuckle)',
  armBracket: 'Arm drop brackets (caster, no lift)',
  body: 'Body lift',
  load: 'Weight put on or taken off',
  bumpStop: 'Longer bump stop',
  longerShock: 'Longer shock',
  coilOver: 'Longer strut or coil-over',
  upperArm: 'New upper arms',
  swayBarDrop: 'Sway-bar spacer',
};

const rate = LIMITS.springRateNPerMm;
const free: Range = { min: 50, max: 1200, unit: 'mm' };

/** A number of a part: where it stands in it, what it is called, and whether it is a length. */
export interface PartField {
  readonly path: readonly [string] | readonly [string, string];
  readonly label: string;
  readonly range: Range;
  readonly isLength: boolean;
  /** What it begins with is so unless somebody says otherwise; the others stand in until they are typed. */
  readonly usual?: boolean;
  readonly optional?: boolean;
}
const mm = (key: string, label: string, range: Range = LIMITS.partMm): PartField => ({
  path: [key],
  label,
  range,
  isLength: true,
});
const number = (path: PartField['path'], label: string, range: Range): PartField => ({
  path,
  label,
  range,
  isLength: false,
});
/** Of a shock or a stop; springs take their axle's. */
const ownRatio = { ...number(['motionRatio'], 'Its travel over wheel travel', LIMITS.motionRatio), usual: true };
const usual = (field: PartField): PartField => ({ ...field, usual: true });
/** Parts that reach the wheel through the springs' motion ratio, which is asked once for an axle. */
export const BY_SPRING_RATIO: readonly LiftPart['kind'][] = [
  'coilSpring',
  'springSpacer',
  'collar',
  'strutTopSpacer',
  'load',
  'coilOver',
];

export const PART_FIELDS: Readonly<Record<LiftPart['kind'], readonly PartField[]>> = {
  ride: [mm('liftMm', 'At the wheel, - lowers')],
  coilSpring: [
    { ...number(['fitted', 'freeLengthMm'], 'Fitted, free length', free), isLength: true },
    number(['fitted', 'rateNPerMm'], 'Fitted, N/mm', rate),
    { ...number(['next', 'freeLengthMm'], 'New, free length', free), isLength: true },
    number(['next', 'rateNPerMm'], 'New, N/mm', rate),
    number(['springLoadN'], 'Load on the spring, N', { min: 0, max: 40_000, unit: 'N' }),
  ],
  springSpacer: [mm('thicknessMm', 'Thickness')],
  collar: [
    mm('lowestOverSeatMm', 'At its lowest, over the old seat'),
    number(['turns'], 'Turns up from there', LIMITS.turns),
    number(['pitchMm'], 'Thread, mm a turn', LIMITS.threadPitchMm),
  ],
  torsionBar: [
    number(['turns'], 'Turns of the adjuster, - lowers', { ...LIMITS.turns, min: -LIMITS.turns.max }),
    number(['pitchMm'], 'Thread, mm a turn', LIMITS.threadPitchMm),
    mm('keyMm', 'Bar to bolt, on its key', LIMITS.keyMm),
    mm('armMm', 'Lower arm, pivot to ball joint', LIMITS.armMm),
  ],
  addedLeaf: [
    mm('archMm', 'Its arch over the loaded pack'),
    number(['packNPerMm'], 'Pack, N/mm', rate),
    number(['leafNPerMm'], 'Leaf, N/mm', rate),
  ],
  strutTopSpacer: [mm('thicknessMm', 'Thickness')],
  block: [
    mm('thicknessMm', 'Thickness'),
    usual(mm('replacesMm', 'Replaces one of')),
    usual(number(['taperDeg'], 'Taper, + narrow end forward', LIMITS.casterDeg)),
    usual(mm('centrePinMm', 'Center pin, + axle forward', { min: -60, max: 60, unit: 'mm' })),
  ],
  shackle: [
    mm('extraMm', 'Longer by'),
    usual(number(['share'], 'Share that reaches the axle', LIMITS.shackleShare)),
    mm('springMm', 'Leaf spring, eye to eye', LIMITS.leafMm),
  ],
  drop: [mm('dropMm', 'Drop')],
  liftSpindle: [mm('dropMm', 'Hub lower by')],
  armBracket: [mm('dropMm', 'Arms lower at the frame by')],
  body: [mm('liftMm', 'Lift')],
  load: [
    number(['weightKg'], 'Weight, kg', { min: -2000, max: 2000, unit: 'kg' }),
    number(['share'], 'Share on this wheel', { min: -1, max: 1.5, unit: 'of it' }),
    number(['rateNPerMm'], 'Spring, N/mm', rate),
    { ...mm('sinksMm', 'Or seen to sink by', LIMITS.partMm), optional: true, usual: true },
  ],
  bumpStop: [mm('lengthMm', 'Longer by'), ownRatio],
  longerShock: [mm('extraMm', 'Longer open by'), mm('closedExtraMm', 'Longer closed by'), ownRatio],
  coilOver: [
    mm('liftMm', 'Lift at the wheel, as sold'),
    mm('openMm', 'Open, eye to eye', LIMITS.shockLengthMm),
    mm('closedMm', 'On its stop, eye to eye', LIMITS.shockLengthMm),
    mm('replacesOpenMm', 'The old one, open', LIMITS.shockLengthMm),
    mm('replacesClosedMm', 'The old one, on its stop', LIMITS.shockLengthMm),
  ],
  upperArm: [
    number(['casterDeg'], 'Caster they add, degrees', LIMITS.casterDeg),
    {
      ...number(['jointMostDeg'], 'Ball joint’s most, degrees', { min: 0, max: 60, unit: 'degrees' }),
      optional: true,
      usual: true,
    },
  ],
  swayBarDrop: [mm('dropMm', 'Thickness')],
};

/** What decides which parts go with an axle; `leaf`: where a leaf spring sits to its axle, null: other springs. */
export interface Suspension {
  readonly isBeam: boolean;
  readonly leaf: 'overAxle' | 'underAxle' | null;
}

/** Leaf springs over the axle take blocks and leaves, under it shackles; coils take spacers and collars; torsion bars and struts are independent. */
export function fitsSuspension(kind: LiftPart['kind'], { isBeam, leaf }: Suspension): boolean {
  switch (kind) {
    case 'block':
      return leaf === 'overAxle';
    case 'addedLeaf':
      return leaf !== null;
    case 'shackle':
      return leaf !== null;
    case 'springSpacer':
    case 'coilSpring':
    case 'collar':
      return leaf === null;
    case 'torsionBar':
    case 'strutTopSpacer':
    case 'upperArm':
    case 'drop':
    case 'liftSpindle':
      return !isBeam;
    case 'armBracket':
      return isBeam && leaf === null;
    default:
      return true;
  }
}

/** What a corner's stop does under a spacer or a block. */
export interface StopsAnswer {
  readonly strut: 'inStrut' | 'onFrame';
  readonly block: 'axle' | 'springPack';
}

/** Numbers of parts by their names that were measured elsewhere in the job, such as the fitted shock's lengths. */
export type KnownNumbers = Readonly<Partial<Record<string, number>>>;

/** Names of a part's numbers that stand in until they are typed. */
export const nameOf = ({ path }: PartField): string => path.join('.');

/** A part to begin with: its numbers stand in until they are typed, and it moves nothing before; without an answer its stop stays where it is. */
export function blankPart(
  kind: LiftPart['kind'],
  motionRatio?: number,
  stops: StopsAnswer = { strut: 'onFrame', block: 'axle' },
  known: KnownNumbers = {},
): LiftPart {
  const needsRatio = motionRatio === undefined && BY_SPRING_RATIO.includes(kind);
  const starting = [
    ...PART_FIELDS[kind].filter((field) => !field.usual && known[nameOf(field)] === undefined).map(nameOf),
    ...(needsRatio ? ['motionRatio'] : []),
  ];
  const measured = PART_FIELDS[kind].flatMap((field) => {
    const value = known[nameOf(field)];
    return value === undefined ? [] : [[nameOf(field), value] as const];
  });
  const part = { ...partOf(kind, motionRatio ?? USUAL_RATIO, stops), ...Object.fromEntries(measured) };
  return starting.length > 0 ? { ...part, starting } : part;
}

/** Spring travel over wheel travel on an independent wheel, until somebody measures it (common practice, no source). */
export const USUAL_RATIO = 0.7;

function partOf(kind: LiftPart['kind'], motionRatio: number, stops: StopsAnswer): LiftPart {
  switch (kind) {
    case 'ride':
      return { kind, liftMm: 30 };
    case 'coilSpring':
      return {
        kind,
        fitted: { freeLengthMm: 360, rateNPerMm: 60 },
        next: { freeLengthMm: 380, rateNPerMm: 65 },
        springLoadN: 6000,
        motionRatio,
      };
    case 'springSpacer':
      return { kind, thicknessMm: 20, motionRatio };
    case 'strutTopSpacer':
      return { kind, thicknessMm: 20, motionRatio, stops: stops.strut };
    case 'collar':
      return { kind, lowestOverSeatMm: 5, turns: 0, pitchMm: 2, motionRatio };
    case 'torsionBar':
      // 5 to 6 mm at the wheel for a turn (common practice, no source).
      return { kind, turns: 5, pitchMm: 1.5, keyMm: 95, armMm: 350 };
    case 'addedLeaf':
      return { kind, packNPerMm: 40, leafNPerMm: 12, archMm: 60 };
    case 'block':
      return {
        kind,
        thicknessMm: 50,
        replacesMm: 0,
        stopBearsOn: stops.block,
        droopSetBy: 'spring',
        taperDeg: 0,
        centrePinMm: 0,
      };
    case 'shackle':
      return { kind, extraMm: 50, share: 0.5, springMm: 1300, sits: 'behind' };
    case 'drop':
    case 'liftSpindle':
    case 'armBracket':
      return { kind, dropMm: 50 };
    case 'body':
      return { kind, liftMm: 50 };
    case 'load':
      return { kind, weightKg: 50, share: 0.5, rateNPerMm: 60, motionRatio };
    case 'bumpStop':
      return { kind, lengthMm: 20, motionRatio: 1 };
    case 'longerShock':
      return { kind, extraMm: 30, closedExtraMm: 15, motionRatio: 1 };
    case 'coilOver':
      return {
        kind,
        liftMm: 50,
        openMm: 560,
        closedMm: 400,
        replacesOpenMm: 520,
        replacesClosedMm: 380,
        motionRatio,
        stops: stops.strut,
      };
    case 'upperArm':
      return { kind, casterDeg: 2 };
    case 'swayBarDrop':
      return { kind, dropMm: 25 };
  }
}
