import { toDegrees } from '../../1-base/units/angle';

/** A place of the vehicle seen from the side, as it stood at the survey: behind the front hub (- = ahead) and over the ground, mm. */
export interface SidePlace {
  readonly behindFrontMm: number;
  readonly heightMm: number;
}

/** How a vehicle stands on its axles, before and after, mm; `rise`: of the frame over the ground above that axle's hub. */
export interface AxlesRaised {
  readonly wheelbaseMm: number;
  readonly front: { readonly hubHeightMm: number; readonly riseMm: number; readonly forwardMm: number };
  readonly rear: { readonly hubHeightMm: number; readonly riseMm: number; readonly forwardMm: number };
}

/** The frame turned as one piece: where its places come to, and where the hubs stand then. Same axes as `SidePlace`. */
export interface Pitched {
  /** Nose up by, degrees. */
  readonly noseUpDeg: number;
  readonly place: (at: SidePlace) => SidePlace;
  /** Hubs behind where the front one stood. */
  readonly frontHubMm: number;
  readonly rearHubMm: number;
}

/**
 * Lifting one axle turns the vehicle about the other: the frame's places over the two hubs rise by their own amounts and keep
 * their distance; the one over the front hub rises straight. An axle that is moved in the frame stands so much further forward.
 * @throws RangeError where the axles would stand further apart in height than along the vehicle.
 */
export function pitched({ wheelbaseMm, front, rear }: AxlesRaised): Pitched {
  const stands = rear.hubHeightMm - front.hubHeightMm;
  const apart = Math.hypot(wheelbaseMm, stands);
  const then = stands + rear.riseMm - front.riseMm;
  if (!(Math.abs(then) < apart)) throw new RangeError('a vehicle does not stand on end');
  const turn = Math.asin(stands / apart) - Math.asin(then / apart);
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  const place = ({ behindFrontMm, heightMm }: SidePlace): SidePlace => {
    const over = heightMm - front.hubHeightMm;
    return {
      behindFrontMm: cos * behindFrontMm + sin * over,
      heightMm: front.hubHeightMm + front.riseMm - sin * behindFrontMm + cos * over,
    };
  };
  return {
    noseUpDeg: toDegrees(turn),
    place,
    frontHubMm: -front.forwardMm,
    rearHubMm: place({ behindFrontMm: wheelbaseMm, heightMm: rear.hubHeightMm }).behindFrontMm - rear.forwardMm,
  };
}
