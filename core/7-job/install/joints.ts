import type { Axle } from '../../2-vehicle/setup/corner-key';
import type { LiftPart } from '../../2-vehicle/setup/lift-part';
import type { CaseDescription } from '../../4-clearance/case/case-description';
import { axleKind, jobWork, spacerTypeAt, workedAxles } from '../../6-decisions/plan/plan-work';
import type { Plan } from '../../6-decisions/plan/plan-step';
import { MODIFICATION_RULES } from '../../6-decisions/plan/modification';
import type { SetupWork } from '../../6-decisions/plan/setup-work';

/** Bolted joints that a job opens or makes, each with a torque of its own in the makers' instructions. */
export const JOINTS = [
  'springMounts',
  'uBolts',
  'shackleBolts',
  'strutTopNuts',
  'shockMounts',
  'ballJoints',
  'bracketBolts',
  'armBushings',
  'swayBarMounts',
  'bumpStopBolts',
  'steeringStopNuts',
  'bodyMountBolts',
  'tieRodLockNuts',
  'spacerToHub',
  'wheelToSpacer',
  'wheelNuts',
] as const;
export type Joint = (typeof JOINTS)[number];

/** A joint of an axle, or of the body. */
export interface JointAt {
  readonly joint: Joint;
  readonly axle: Axle | null;
}

/** Joints that a part opens beside the wheel's. Common practice, no source. */
const OF_PART: Readonly<Record<LiftPart['kind'], readonly Joint[]>> = {
  ride: ['springMounts'],
  springSpacer: ['springMounts'],
  collar: [],
  torsionBar: [],
  addedLeaf: ['uBolts'],
  coilSpring: ['springMounts'],
  load: [],
  strutTopSpacer: ['strutTopNuts'],
  block: ['uBolts'],
  shackle: ['shackleBolts'],
  bumpStop: ['bumpStopBolts'],
  longerShock: ['shockMounts'],
  coilOver: ['strutTopNuts', 'shockMounts'],
  upperArm: ['ballJoints'],
  swayBarDrop: ['swayBarMounts'],
  drop: ['bracketBolts'],
  liftSpindle: ['ballJoints'],
  armBracket: ['bracketBolts'],
  body: ['bodyMountBolts'],
};

/** Parts after which rubber bushings are tightened anew at ride height. */
const TURNS_BUSHINGS: readonly LiftPart['kind'][] = [
  'ride',
  'springSpacer',
  'coilSpring',
  'addedLeaf',
  'shackle',
  'strutTopSpacer',
  'coilOver',
  'upperArm',
  'drop',
  'liftSpindle',
  'armBracket',
];

function jointsOf({ what, part }: SetupWork): Joint[] {
  switch (what) {
    case 'part':
    case 'partOff':
      return part
        ? [...OF_PART[part.kind], ...(TURNS_BUSHINGS.includes(part.kind) ? (['armBushings'] as const) : [])]
        : [];
    case 'rideHeight':
      return ['springMounts', 'armBushings'];
    case 'subframeDrop':
      return ['bracketBolts'];
    case 'axleMove':
    case 'armAdjust':
      return ['armBushings'];
    case 'bumpStop':
      return ['bumpStopBolts'];
    case 'steeringStop':
      return ['steeringStopNuts'];
    case 'bodyLift':
      return ['bodyMountBolts'];
    default:
      return [];
  }
}

/**
 * Every joint of the work, once: of each axle worked on, the wheels' too; a bolt-on spacer makes two of them. U-bolts are opened on leaf
 * springs, whose bushings are their own.
 */
export function jobJoints(description: CaseDescription, plan: Plan | null): JointAt[] {
  const works = jobWork(description, plan);
  const found = workedAxles(works).flatMap((axle): JointAt[] => {
    const here = works.filter(({ at }) => 'axle' in at && at.axle === axle);
    const { isLeaf } = axleKind(description, axle);
    const opened = new Set(here.flatMap(jointsOf));
    if (isLeaf && opened.delete('springMounts')) opened.add('uBolts');
    if (!isLeaf) opened.delete('uBolts');
    if (here.some(({ as }) => MODIFICATION_RULES[as].afterCare.includes('alignment')) && axle === 'front')
      opened.add('tieRodLockNuts');
    for (const joint of wheelJoints(spacerTypeAt(description, plan, axle))) opened.add(joint);
    return JOINTS.filter((joint) => opened.has(joint)).map((joint) => ({ joint, axle }));
  });
  const body = works.some(({ what }) => what === 'bodyLift') ? [{ joint: 'bodyMountBolts', axle: null } as const] : [];
  return [...body, ...found];
}

const wheelJoints = (spacer: 'slipOn' | 'boltOn' | null): readonly Joint[] =>
  spacer === 'boltOn' ? ['spacerToHub', 'wheelToSpacer'] : ['wheelNuts'];
