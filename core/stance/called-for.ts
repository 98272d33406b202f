import type { CornerDescription, CornerKey, SetupDescription } from '../clearance/description';
import { prepareRotor } from '../clearance/rotor';
import { withPartsCounted } from './lift-part';
import type { AxleAbility, CornerStance } from './stance-report';

/** What a height calls for, with the number that calls for it; computed from the corner, never recited. */
export interface CalledFor {
  readonly corner: CornerKey | null;
  readonly what:
    | 'longerShock'
    | 'bumpStopOrShorterShock'
    | 'longerHose'
    | 'longerSensorWire'
    | 'longerParkingCable'
    | 'camberCorrection'
    | 'casterCorrection'
    | 'jointCorrection'
    | 'panhardCorrection'
    | 'bodyLiftParts'
    | 'alignment';
  /** mm or degrees by which it is called for. */
  readonly by: number;
}

/** mm of side shift of an axle by its panhard that is felt; working value of this project. */
const FELT_SHIFT_MM = 5;

export function calledFor(
  { key, before, after, shock, lines, adjust }: CornerStance,
  corner: CornerDescription,
  setup: SetupDescription,
  { jointMostDeg }: AxleAbility = {},
): CalledFor[] {
  const found: CalledFor[] = [];
  const call = (what: CalledFor['what'], by: number): void => void found.push({ corner: key, what, by });
  if (shock && shock.shortMm > 0) call('longerShock', shock.shortMm);
  if (shock && shock.bottomsMm > 0) call('bumpStopOrShorterShock', shock.bottomsMm);
  for (const { what, leftMm } of lines) {
    if (leftMm >= 0) continue;
    call(
      ({ brakeHose: 'longerHose', sensorWire: 'longerSensorWire', parkingCable: 'longerParkingCable' } as const)[what],
      -leftMm,
    );
  }
  if (adjust?.canCamber === false) call('camberCorrection', adjust.camberDeg);
  if (adjust?.canCaster === false) call('casterCorrection', adjust.casterDeg ?? 0);
  if (jointMostDeg !== undefined) {
    const swings = [after.jointsDroop, after.jointsBump].flatMap(({ upperDeg, lowerDeg }) => [
      upperDeg ?? 0,
      lowerDeg ?? 0,
    ]);
    const most = Math.max(...swings);
    if (most > jointMostDeg) call('jointCorrection', most - jointMostDeg);
  }
  if (corner.motion.type === 'beamAxle' && before.ride && after.ride) {
    const wheels = prepareRotor(setup, 'setup').centrePlaneMm - prepareRotor(corner.fitted, 'fitted').centrePlaneMm;
    const shift = after.ride.outboardMm - before.ride.outboardMm - wheels;
    if (Math.abs(shift) > FELT_SHIFT_MM) call('panhardCorrection', shift);
  }
  const bodyLiftMm = withPartsCounted(setup).bodyLiftMm;
  if (bodyLiftMm > 0) call('bodyLiftParts', bodyLiftMm);
  if (adjust && (Math.abs(adjust.camberDeg) > 0.05 || Math.abs(adjust.casterDeg ?? 0) > 0.05)) {
    call('alignment', adjust.camberDeg);
  }
  return found;
}
