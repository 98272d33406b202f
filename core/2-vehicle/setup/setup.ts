import type { TireAllowances } from '../tire/allowance';
import type { CornerKey } from './corner-key';
import type { LiftPart } from './lift-part';
import { liftPartShift, type HeightShift } from './part-shift';
import type { WheelAndTire } from './wheel-and-tire';

/** A setup as entered: numbers of its own, and parts that add theirs. No computation takes it: `countParts` first. */
export interface SetupDescription extends WheelAndTire {
  /** Height change at the wheel; moves the parked position only. */
  readonly suspensionLiftMm: number;
  readonly bodyLiftMm: number;
  /** Bump-stop extension, at the wheel. */
  readonly bumpStopMm: number;
  readonly axleShiftMm: number;
  readonly bumpLimitShiftMm: number;
  readonly droopLimitShiftMm: number;
  readonly linkageDropMm: number;
  readonly steerStopLeftDeg?: number | undefined;
  readonly steerStopRightDeg?: number | undefined;
  readonly camberChangeDeg: number;
  readonly casterChangeDeg: number;
  /** Whether the vehicle is aligned back to its targets at its new height; absent: it stands as the parts leave it (older files). */
  readonly alignment?: 'aligned' | 'asStands' | undefined;
  /** What the tire may be beyond its free section. */
  readonly allowances?: TireAllowances | undefined;
  /** Lift and lowering parts; each adds its own shifts to the numbers above. */
  readonly parts?: readonly LiftPart[] | undefined;
  /** Ids of removable obstacles taken off. */
  readonly removed?: readonly string[] | undefined;
}

export type CornerOverrides = Readonly<Partial<Record<CornerKey, Partial<SetupDescription>>>>;

/** What only parts move. */
type PartsOwn = 'strutTopDropMm' | 'hubDropMm' | 'armDropMm' | 'swayBarDropMm';

/** A setup with the shifts of its parts in its numbers: what every computation takes. Only `countParts` makes one. */
export interface Setup extends Omit<SetupDescription, 'parts'>, Pick<HeightShift, PartsOwn> {
  readonly parts: 'counted';
  /** Travel (mm) at which it was aligned, where that is not where it parks. */
  readonly alignAtMm?: number | undefined;
  /** Which parts they were; those with numbers that nobody read are left out. */
  readonly countedParts: readonly LiftPart[];
}

/** The setup with every part's shifts added to its numbers. */
export function countParts({ parts = [], ...setup }: SetupDescription): Setup {
  const sums = parts.map(liftPartShift).reduce<SetupDescription & Pick<HeightShift, PartsOwn>>(
    (sum, shift) => ({
      ...sum,
      suspensionLiftMm: sum.suspensionLiftMm + shift.suspensionLiftMm,
      bodyLiftMm: sum.bodyLiftMm + shift.bodyLiftMm,
      bumpStopMm: sum.bumpStopMm + shift.bumpStopMm,
      bumpLimitShiftMm: sum.bumpLimitShiftMm + shift.bumpLimitShiftMm,
      droopLimitShiftMm: sum.droopLimitShiftMm + shift.droopLimitShiftMm,
      linkageDropMm: sum.linkageDropMm + shift.linkageDropMm,
      axleShiftMm: sum.axleShiftMm + shift.axleShiftMm,
      casterChangeDeg: sum.casterChangeDeg + shift.casterChangeDeg,
      strutTopDropMm: sum.strutTopDropMm + shift.strutTopDropMm,
      hubDropMm: sum.hubDropMm + shift.hubDropMm,
      armDropMm: sum.armDropMm + shift.armDropMm,
      swayBarDropMm: sum.swayBarDropMm + shift.swayBarDropMm,
    }),
    { ...setup, strutTopDropMm: 0, hubDropMm: 0, armDropMm: 0, swayBarDropMm: 0 },
  );
  return { ...sums, parts: 'counted', countedParts: parts.filter(({ starting }) => !starting?.length) };
}

/** Travel (mm) at which the vehicle of a setup is aligned: where it parks. */
export const alignHeightMm = ({ alignAtMm, suspensionLiftMm }: Setup): number => alignAtMm ?? -suspensionLiftMm;

/** What of a setup decides how the wheel stands at each height, beside the numbers of the motion itself. */
export const alignmentKey = (setup: Setup): number | null =>
  setup.alignment === 'aligned' ? alignHeightMm(setup) : null;

/** A setup as entered that changes nothing: what is fitted, at the surveyed height. */
export const fittedAsSetup = (fitted: WheelAndTire): SetupDescription => ({
  ...fitted,
  suspensionLiftMm: 0,
  bodyLiftMm: 0,
  bumpStopMm: 0,
  axleShiftMm: 0,
  bumpLimitShiftMm: 0,
  droopLimitShiftMm: 0,
  linkageDropMm: 0,
  camberChangeDeg: 0,
  casterChangeDeg: 0,
});

/** What is fitted, at the surveyed height. */
export const fittedSetup = (fitted: WheelAndTire): Setup => countParts(fittedAsSetup(fitted));

/** By how much the hub stands lower than the arms' position says, mm: linkage and hub let down. */
export const hubDropOf = ({ linkageDropMm, hubDropMm }: Setup): number => linkageDropMm + hubDropMm;

/** By how much frame-mounted things rise over the hub at its parked height, mm: suspension lift, linkage and hub let down. */
export const frameRiseMm = (setup: Setup): number => setup.suspensionLiftMm + hubDropOf(setup);

/** By how much body-mounted things rise over the hub at its parked height, mm. */
export const bodyRiseMm = (setup: Setup): number => frameRiseMm(setup) + setup.bodyLiftMm;
