import type { Setup } from '../../2-vehicle/setup/setup';
import type { AxleAbility, CornerState } from './stance-report';

/** How far the joints of the arms may swing from how they stand at the survey, degrees; what nobody entered is left out. */
export interface JointLimits {
  readonly upperJointDeg?: number | undefined;
  readonly lowerJointDeg?: number | undefined;
  /** Of both arms at the frame, by their bushings. */
  readonly upperArmDeg?: number | undefined;
  readonly lowerArmDeg?: number | undefined;
}

/** Limits of an axle; new upper arms of the setup bring their own ball joint. */
export function jointLimits(ability: AxleAbility, setup?: Setup): JointLimits {
  const { jointMostDeg, upperJointMostDeg, armMostDeg } = ability;
  const arms = setup?.countedParts.filter((part) => part.kind === 'upperArm').at(-1);
  return {
    upperJointDeg: arms?.jointMostDeg ?? upperJointMostDeg ?? jointMostDeg,
    lowerJointDeg: jointMostDeg,
    upperArmDeg: armMostDeg,
    lowerArmDeg: armMostDeg,
  };
}

/** The worst swing past a share of its limit, degrees (below 0: to spare), and the travel nearest to the parked one from which a limit is passed. */
export interface JointsPast {
  readonly pastDeg: number;
  readonly fromMm?: number | undefined;
}

/** null: no limit of a joint that the linkage has was entered. */
export function jointsPast({ curve, limits }: CornerState, most: JointLimits, share: number): JointsPast | null {
  const swings = curve.stands.flatMap((stand) =>
    (Object.keys(most) as (keyof JointLimits)[]).flatMap((joint) => {
      const [swing, limit] = [stand[joint], most[joint]];
      return swing === null || limit === undefined
        ? []
        : [{ travelMm: stand.travelMm, pastDeg: swing - share * limit }];
    }),
  );
  if (swings.length === 0) return null;
  const passed = swings.filter(({ pastDeg }) => pastDeg > 0);
  const away = (one: { readonly travelMm: number }): number => Math.abs(one.travelMm - limits.ride);
  return {
    pastDeg: Math.max(...swings.map(({ pastDeg }) => pastDeg)),
    fromMm: passed.length > 0 ? passed.reduce((a, b) => (away(b) < away(a) ? b : a)).travelMm : undefined,
  };
}
