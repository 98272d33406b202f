import type { MotionDescription } from '../../2-vehicle/motion/motion-description';
import type { Axle, CornerKey } from '../../2-vehicle/setup/corner-key';
import { fittedAsSetup, type SetupDescription } from '../../2-vehicle/setup/setup';
import type { VehicleKind } from '../../2-vehicle/setup/vehicle-kind';
import type { WheelAndTire } from '../../2-vehicle/setup/wheel-and-tire';
import type { SaidGap } from './said-gap';

/** What somebody on the phone may know of the suspension. */
export const QUICK_SUSPENSIONS = ['doubleWishbone', 'macphersonStrut', 'beamAxle'] as const;
export type QuickSuspension = (typeof QUICK_SUSPENSIONS)[number];

/** Two setups on a vehicle of which nothing is measured. */
export interface QuickQuestion {
  readonly axle: Axle;
  /** null: not known. */
  readonly vehicle: VehicleKind | null;
  readonly suspension: QuickSuspension | null;
  readonly fitted: WheelAndTire;
  readonly wanted: WheelAndTire;
  /** At the wheel, on the spring's side. */
  readonly liftMm: number;
  /** Gaps of the fitted tire by place, as they were said. */
  readonly answers: Readonly<Record<string, SaidGap>>;
}

/** On which wheel it is looked at: on the right the clock has the front at 3:00, as whoever faces it sees it. */
export const quickCorner = ({ axle }: Pick<QuickQuestion, 'axle'>): CornerKey =>
  axle === 'front' ? 'frontRight' : 'rearRight';

/** The wanted setup as the bench would have it. */
export const wantedSetup = ({ wanted, liftMm }: Pick<QuickQuestion, 'wanted' | 'liftMm'>): SetupDescription => ({
  ...fittedAsSetup(wanted),
  suspensionLiftMm: liftMm,
});

/** Suspensions that are looked at: the one that was said, else all that such a wheel may have. */
export const suspensionsOf = ({
  suspension,
  axle,
}: Pick<QuickQuestion, 'suspension' | 'axle'>): readonly QuickSuspension[] =>
  suspension !== null ? [suspension] : axle === 'front' ? QUICK_SUSPENSIONS : ['doubleWishbone', 'beamAxle'];

/** Under which suspension that was said a measured one counts; null: nobody looked. */
export function quickSuspensionOf({ type }: Pick<MotionDescription, 'type'>): QuickSuspension | null {
  switch (type) {
    case 'swingArm':
      return null;
    case 'trailingArm':
      return 'doubleWishbone';
    default:
      return type;
  }
}
