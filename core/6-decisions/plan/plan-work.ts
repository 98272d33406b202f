import { AXLES, type Axle, sideOf } from '../../2-vehicle/setup/corner-key';
import { describedCorners } from '../../4-clearance/case/described-corner';
import { enteredSetupFor, type CaseDescription } from '../../4-clearance/case/case-description';
import type { Plan, PlanStep } from './plan-step';
import { setupWork, type SetupWork } from './setup-work';

/**
 * The one account of a job: what its setup changes against what is on the vehicle, then what its plan adds to it. Work order, installation
 * sheet, fasteners, pieces to receive, follow-ups and hand-over are made from it.
 */
export const jobWork = (description: CaseDescription, plan: Plan | null): SetupWork[] => [
  ...setupWork(description),
  ...(plan?.steps ?? []).map(planWork),
];

/** A step of a plan as work like that of a setup. */
function planWork({ kind, at, amount }: PlanStep): SetupWork {
  const work = (what: SetupWork['what'], more: Partial<SetupWork> = {}): SetupWork => ({
    what,
    at,
    as: kind,
    sides: 'corner' in at ? sideOf(at.corner) : 'both',
    amount,
    part: null,
    spacerType: null,
    beside: false,
    ...more,
  });
  switch (kind) {
    case 'steeringStop':
    case 'bumpStop':
    case 'axleMove':
    case 'bodyLift':
      return work(kind);
    case 'lift':
      return work('rideHeight');
    case 'otherWheel':
      return work('wheelsAndTires');
    // A plan's spacers are bolted on where nobody said otherwise: the more careful of the two.
    case 'spacer':
      return work('spacer', { spacerType: 'boltOn' });
    case 'armAdjust':
      return work('armAdjust');
    case 'unbolt':
    case 'crashBracket':
      return work('takeOff');
    default:
      return work('reshape');
  }
}

/** Suspension of an axle, as far as it matters for work on it. */
export interface AxleKind {
  readonly isBeam: boolean;
  readonly isLeaf: boolean;
}

export function axleKind(description: CaseDescription, axle: Axle): AxleKind {
  const motions = describedCorners(description)
    .filter((key) => key.startsWith(axle))
    .map((key) => description.corners[key]!.motion);
  return {
    isBeam: motions.some(({ type }) => type === 'beamAxle'),
    isLeaf: motions.some((motion) => motion.type === 'beamAxle' && motion.leaf === true),
  };
}

/** Spacer that is under the wheels of an axle once all work is done; null: none. */
export function spacerTypeAt(description: CaseDescription, plan: Plan | null, axle: Axle): 'slipOn' | 'boltOn' | null {
  const planned = plan?.steps.some(({ kind, at }) => kind === 'spacer' && 'axle' in at && at.axle === axle) ?? false;
  if (planned) return 'boltOn';
  const setups = describedCorners(description)
    .filter((key) => key.startsWith(axle))
    .map((key) => enteredSetupFor(description, key))
    .filter(({ spacerMm }) => spacerMm > 0);
  if (setups.length === 0) return null;
  return setups.some(({ spacerType }) => spacerType === 'boltOn') ? 'boltOn' : 'slipOn';
}

/** Axles on which something is done. */
export const workedAxles = (works: readonly SetupWork[]): Axle[] =>
  AXLES.filter((axle) =>
    works.some(({ at }) => ('axle' in at ? at.axle === axle : 'corner' in at && at.corner.startsWith(axle))),
  );
