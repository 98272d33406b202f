import type { CornerDescription } from '../../3-survey/description/corner-description';
import type { SetupDescription } from '../../2-vehicle/setup/setup';
import { blockStop, strutStops } from '../../2-vehicle/setup/stop-place';
import type { LiftPart } from '../../2-vehicle/setup/lift-part';
import { tireSection } from '../../2-vehicle/tire/section';
import { WIDTH_PER_RIM_WIDTH } from '../../2-vehicle/tire/dimensions';
import { MM_PER_IN } from '../../1-base/units/length';
import { wheelOffsetMm } from '../../2-vehicle/wheel/rim';
import { withOffset as wheelWithOffset } from '../../2-vehicle/wheel/with-offset';

/** Single changes of a setup. */
export const LEVER_KINDS = [
  'offsetMore',
  'offsetLess',
  'spacer',
  'diameterLess',
  'widthLess',
  'rimNarrower',
  'rimWider',
  'springLift',
  'strutTopLift',
  'blockLift',
  'linkageDrop',
  'bodyLift',
  'bumpStop',
  'steerStopLeft',
  'steerStopRight',
  'axleForward',
  'axleBack',
  'casterMore',
  'casterLess',
  'camberIn',
] as const;
export type LeverKind = (typeof LEVER_KINDS)[number];

export interface LeverRule {
  readonly unit: 'mm' | 'degrees' | 'in';
  /** Furthest a shop would go with it. Working values of this project. */
  readonly most: number;
  /** The linkage stands or moves otherwise, so that everything has to be imaged anew. */
  readonly realigns?: true;
  /** Changes the parked height: where the vehicle is aligned back, the linkage then stands otherwise too. */
  readonly lifts?: true;
  /** Whether the corner has what it takes. */
  applies(corner: CornerDescription): boolean;
  /** The setup with so much of the change, 0 being none. */
  apply(setup: SetupDescription, amount: number, corner: CornerDescription): SetupDescription;
}

const always = (): boolean => true;
const steered = ({ steering }: CornerDescription): boolean => steering !== undefined;

const withOffset = (setup: SetupDescription, by: number): SetupDescription => ({
  ...setup,
  wheel: wheelWithOffset(setup.wheel, wheelOffsetMm(setup.wheel) + by),
});

const sectionOf = ({ tire, wheel }: SetupDescription) => tireSection(tire, wheel.widthIn);

/** Another rim width at the same offset: the tire on it follows, a measured one too. */
const withRim = (setup: SetupDescription, byIn: number): SetupDescription => {
  const { tire } = setup;
  const moved = { ...withOffset(setup, 0), tire };
  const wheel = { ...moved.wheel, widthIn: setup.wheel.widthIn + byIn };
  if (tire.measuredWidthMm === undefined) return { ...moved, wheel };
  const measuredWidthMm = tire.measuredWidthMm + WIDTH_PER_RIM_WIDTH * byIn * MM_PER_IN;
  return { ...moved, wheel, tire: { ...tire, measuredWidthMm } };
};

const withPart = (setup: SetupDescription, part: LiftPart): SetupDescription => ({
  ...setup,
  parts: [...(setup.parts ?? []), part],
});

const stopped =
  (stop: 'steerStopLeftDeg' | 'steerStopRightDeg', lock: 'lockLeftDeg' | 'lockRightDeg'): LeverRule['apply'] =>
  (setup, amount, { steering }) => {
    const now = setup[stop] ?? steering?.[lock] ?? 0;
    return { ...setup, [stop]: Math.max(0.1, now - amount) };
  };

export const LEVERS: Readonly<Record<LeverKind, LeverRule>> = {
  offsetMore: { unit: 'mm', most: 80, applies: always, apply: (setup, mm) => withOffset(setup, mm) },
  offsetLess: { unit: 'mm', most: 80, applies: always, apply: (setup, mm) => withOffset(setup, -mm) },
  spacer: {
    unit: 'mm',
    most: 60,
    applies: always,
    apply: (setup, mm) => ({ ...setup, spacerMm: setup.spacerMm + mm }),
  },
  diameterLess: {
    unit: 'mm',
    most: 150,
    applies: always,
    apply: (setup, mm) => ({
      ...setup,
      tire: { ...setup.tire, measuredDiameterMm: sectionOf(setup).diameterMm - mm },
    }),
  },
  widthLess: {
    unit: 'mm',
    most: 100,
    applies: always,
    apply: (setup, mm) => ({ ...setup, tire: { ...setup.tire, measuredWidthMm: sectionOf(setup).widthMm - mm } }),
  },
  rimNarrower: { unit: 'in', most: 3, applies: always, apply: (setup, inches) => withRim(setup, -inches) },
  rimWider: { unit: 'in', most: 3, applies: always, apply: (setup, inches) => withRim(setup, inches) },
  springLift: {
    unit: 'mm',
    most: 150,
    lifts: true,
    applies: always,
    apply: (setup, mm) => withPart(setup, { kind: 'ride', liftMm: mm }),
  },
  strutTopLift: {
    unit: 'mm',
    most: 100,
    applies: ({ motion }) => motion.type === 'macphersonStrut' || motion.type === 'doubleWishbone',
    realigns: true,
    apply: (setup, mm, corner) =>
      withPart(setup, { kind: 'strutTopSpacer', thicknessMm: mm, motionRatio: 1, stops: strutStops(corner) }),
  },
  blockLift: {
    unit: 'mm',
    most: 150,
    lifts: true,
    applies: ({ motion }) => motion.type === 'beamAxle',
    apply: (setup, mm, corner) =>
      withPart(setup, {
        kind: 'block',
        thicknessMm: mm,
        replacesMm: 0,
        stopBearsOn: blockStop(corner),
        droopSetBy: 'spring',
      }),
  },
  linkageDrop: {
    unit: 'mm',
    most: 150,
    realigns: true,
    applies: always,
    apply: (setup, mm) => withPart(setup, { kind: 'drop', dropMm: mm }),
  },
  bodyLift: {
    unit: 'mm',
    most: 100,
    realigns: true,
    applies: always,
    apply: (setup, mm) => withPart(setup, { kind: 'body', liftMm: mm }),
  },
  bumpStop: {
    unit: 'mm',
    most: 100,
    applies: always,
    apply: (setup, mm) => ({ ...setup, bumpStopMm: setup.bumpStopMm + mm }),
  },
  steerStopLeft: { unit: 'degrees', most: 20, applies: steered, apply: stopped('steerStopLeftDeg', 'lockLeftDeg') },
  steerStopRight: { unit: 'degrees', most: 20, applies: steered, apply: stopped('steerStopRightDeg', 'lockRightDeg') },
  axleForward: {
    unit: 'mm',
    most: 50,
    realigns: true,
    applies: always,
    apply: (setup, mm) => ({ ...setup, axleShiftMm: setup.axleShiftMm + mm }),
  },
  axleBack: {
    unit: 'mm',
    most: 50,
    realigns: true,
    applies: always,
    apply: (setup, mm) => ({ ...setup, axleShiftMm: setup.axleShiftMm - mm }),
  },
  casterMore: {
    unit: 'degrees',
    most: 5,
    realigns: true,
    applies: steered,
    apply: (setup, degrees) => ({ ...setup, casterChangeDeg: setup.casterChangeDeg + degrees }),
  },
  casterLess: {
    unit: 'degrees',
    most: 5,
    realigns: true,
    applies: steered,
    apply: (setup, degrees) => ({ ...setup, casterChangeDeg: setup.casterChangeDeg - degrees }),
  },
  camberIn: {
    unit: 'degrees',
    most: 3,
    realigns: true,
    applies: always,
    apply: (setup, degrees) => ({ ...setup, camberChangeDeg: setup.camberChangeDeg - degrees }),
  },
};
