import { type CaseDescription, enteredSetupFor } from '../../4-clearance/case/case-description';
import type { CornerKey } from '../../2-vehicle/setup/corner-key';
import type { CornerBaseline } from '../../2-vehicle/setup/corner-baseline';
import type { SetupDescription } from '../../2-vehicle/setup/setup';
import { strutStops } from '../../2-vehicle/setup/stop-place';
import { joinPath, ProblemError } from '../../1-base/problem';
import { allowancesOf, type TireAllowances } from '../../2-vehicle/tire/allowance';
import type { TireKind } from '../../2-vehicle/tire/tire-kind';
import { commonSizes } from '../../2-vehicle/tire/common-sizes';
import { tireOf } from '../../2-vehicle/tire/tire-shape';
import { parseTireSize } from '../../2-vehicle/tire/size';
import { MM_PER_IN } from '../../1-base/units/length';
import { wheelOffsetMm } from '../../2-vehicle/wheel/rim';
import { withOffset } from '../../2-vehicle/wheel/with-offset';
import type { FinderQuestion, LiftKind, SpacerChoice, TireChoice, WheelChoice } from './question';
import { spanValues } from './span';

/** A wheel whose offset is known whichever way it was entered. */
export interface KnownWheel extends WheelChoice {
  readonly offsetMm: number;
}

/** What changes beside tire, wheel and spacer: one height with one set of stops and one place of the axle. */
export interface Stance {
  readonly liftKind: LiftKind | null;
  readonly liftMm: number;
  readonly bumpStopMm: number;
  readonly steeringStopDeg: number;
  readonly axleShiftMm: number;
}

/** Everything that is combined with everything it goes with. */
export interface Candidates {
  readonly tires: readonly TireChoice[];
  /** Rim each tire is made for, in. */
  readonly rims: readonly number[];
  readonly wheels: readonly KnownWheel[];
  readonly spacers: readonly SpacerChoice[];
  readonly stances: readonly Stance[];
}

/** @throws ProblemError for empty or endless ranges, and for what cannot be read. Paths below `finder`. */
export function candidatesOf(question: FinderQuestion): Candidates {
  const wheels = wheelsOf(question);
  const rimDiameters = [...new Set(wheels.map(({ diameterIn }) => diameterIn))].sort((a, b) => a - b);
  const tires = tiresOf(question, rimDiameters);
  const rims = tires.map(({ size }, i) => parseTireSize(size, `finder.tires.list[${i}].size`).rimDiameterIn);
  if (!rims.some((rim) => rimDiameters.includes(rim))) {
    throw new ProblemError({
      code: 'contradiction',
      path: 'finder.tires',
      expected: `a tire for one of the wheels, ${rimDiameters.join(', ')} in`,
      found: `tires for ${[...new Set(rims)].join(', ')} in`,
    });
  }
  const spacers = question.spacers.length > 0 ? question.spacers : [{ thicknessMm: 0 }];
  return { tires, rims, wheels, spacers, stances: stancesOf(question) };
}

function tiresOf({ tires }: FinderQuestion, rimDiameters: readonly number[]): TireChoice[] {
  const none = (expected: string): never => {
    throw new ProblemError({ code: 'missing', path: 'finder.tires', expected, found: 'none' });
  };
  if (tires.from === 'list') return tires.list.length > 0 ? [...tires.list] : none('at least one tire');
  if (tires.from === 'common') {
    const { leastDiameterMm: least, mostDiameterMm: most } = tires;
    if (!(most >= least)) {
      throw new ProblemError({
        code: 'contradiction',
        path: 'finder.tires.mostDiameterMm',
        expected: `a diameter no less than the least (${least} mm)`,
        found: `${most} mm`,
      });
    }
    const found = commonSizes().filter(
      ({ rimDiameterIn, diameterMm }) =>
        rimDiameters.includes(rimDiameterIn) && diameterMm >= least && diameterMm <= most,
    );
    if (found.length === 0)
      none(`a size in use from ${least} to ${most} mm for a rim of ${rimDiameters.join(', ')} in`);
    return found.map(({ size, measuringRimIn }) => ({ size, measuringRimIn, ...madeFor(tires) }));
  }
  const diameters = spanValues(tires.diameterMm, 'finder.tires.diameterMm');
  const widths = spanValues(tires.widthMm, 'finder.tires.widthMm');
  const drawn = rimDiameters.flatMap((rim) =>
    diameters.flatMap((diameterMm) =>
      widths.flatMap((widthMm) => drawnTire(rim, diameterMm, widthMm).map((tire) => ({ ...tire, ...madeFor(tires) }))),
    ),
  );
  return drawn.length > 0 ? drawn : none('a range with tires at least 24 mm taller than their rim');
}

const madeFor = ({ kind }: { readonly kind?: TireKind | undefined }): Pick<TireChoice, 'kind'> =>
  kind ? { kind } : {};

/** A tire that nobody makes, as wide as wanted where it is mounted; none where it would have no sidewall. */
function drawnTire(rimIn: number, diameterMm: number, widthMm: number): TireChoice[] {
  const height = (diameterMm - rimIn * MM_PER_IN) / 2;
  if (!(height >= LEAST_HEIGHT_MM && widthMm >= LEAST_WIDTH_MM)) return [];
  const aspect = Math.min(105, Math.max(20, Math.round((100 * height) / widthMm)));
  return [
    {
      size: `${Math.round(widthMm)}/${aspect}R${rimIn}`,
      label: `${diameterMm} x ${widthMm} mm on ${rimIn} in`,
      measuredDiameterMm: diameterMm,
      measuredWidthMm: widthMm,
    },
  ];
}

const LEAST_HEIGHT_MM = 12;
const LEAST_WIDTH_MM = 100;

function wheelsOf({ wheels }: FinderQuestion): KnownWheel[] {
  if (wheels.from === 'list') {
    if (wheels.list.length === 0) {
      throw new ProblemError({ code: 'missing', path: 'finder.wheels', expected: 'at least one wheel', found: 'none' });
    }
    return wheels.list.map((wheel, i) => ({
      ...withOffset(wheel, wheelOffsetMm(wheel, joinPath('finder.wheels.list', i))),
    }));
  }
  const offsets = spanValues(wheels.offsetMm, 'finder.wheels.offsetMm');
  const made = wheels.diametersIn.flatMap((diameterIn) =>
    wheels.widthsIn.flatMap((widthIn) => offsets.map((offsetMm) => ({ diameterIn, widthIn, offsetMm }))),
  );
  if (made.length > 0) return made;
  const path = wheels.diametersIn.length === 0 ? 'finder.wheels.diametersIn' : 'finder.wheels.widthsIn';
  throw new ProblemError({ code: 'missing', path, expected: 'at least one', found: 'none' });
}

const orNone = (amounts: readonly number[]): number[] =>
  [...new Set([0, ...amounts])].sort((a, b) => Math.abs(a) - Math.abs(b) || b - a);

function stancesOf({ lift, allowed }: FinderQuestion): Stance[] {
  const lifts = lift && lift.amountsMm.length > 0 ? [...new Set(lift.amountsMm)] : [0];
  return lifts.flatMap((liftMm) =>
    orNone(allowed.bumpStopsMm).flatMap((bumpStopMm) =>
      orNone(allowed.steeringStopsDeg).flatMap((steeringStopDeg) =>
        orNone(allowed.axleShiftsMm).map((axleShiftMm) => ({
          liftKind: liftMm === 0 ? null : (lift?.kind ?? null),
          liftMm,
          bumpStopMm,
          steeringStopDeg,
          axleShiftMm,
        })),
      ),
    ),
  );
}

/** The setup of a corner in a stance, still on the tire and wheel it has. */
export function stanceSetup(description: CaseDescription, key: CornerKey, stance: Stance): SetupDescription {
  const setup = enteredSetupFor(description, key);
  const steering = description.corners[key]?.steering;
  const stopped = (now: number | undefined, lock: number | undefined): number | undefined =>
    stance.steeringStopDeg === 0 ? now : Math.max(0.1, (now ?? lock ?? 0) - stance.steeringStopDeg);
  return {
    ...setup,
    bumpStopMm: setup.bumpStopMm + stance.bumpStopMm,
    axleShiftMm: setup.axleShiftMm + stance.axleShiftMm,
    ...(steering
      ? {
          steerStopLeftDeg: stopped(setup.steerStopLeftDeg, steering.lockLeftDeg),
          steerStopRightDeg: stopped(setup.steerStopRightDeg, steering.lockRightDeg),
        }
      : {}),
    parts: [...(setup.parts ?? []), ...liftParts(stance, description.corners[key])],
  };
}

/** The part that lifts so much at the wheel. */
function liftParts(
  { liftKind, liftMm }: Stance,
  corner: CornerBaseline | undefined,
): NonNullable<SetupDescription['parts']> {
  switch (liftKind) {
    case null:
      return [];
    case 'spring':
      return [{ kind: 'ride', liftMm }];
    case 'strutTop':
      return [
        { kind: 'strutTopSpacer', thicknessMm: liftMm, motionRatio: 1, stops: corner ? strutStops(corner) : 'onFrame' },
      ];
    case 'linkageDrop':
      return [{ kind: 'drop', dropMm: liftMm }];
    case 'body':
      return [{ kind: 'body', liftMm }];
  }
}

/** The setup of a corner with one combination on it. */
export function combinedSetup(
  description: CaseDescription,
  key: CornerKey,
  stance: Stance,
  tire: TireChoice,
  wheel: KnownWheel,
  spacer: SpacerChoice,
  allowances: TireAllowances | undefined,
): SetupDescription {
  const setup = stanceSetup(description, key, stance);
  const { diameterIn, widthIn, offsetMm, studPocketMm, insideDiameterMm, dropCentreInsideMm } = wheel;
  return {
    ...setup,
    tire: tireOf(tire),
    wheel: { diameterIn, widthIn, offsetMm, studPocketMm, insideDiameterMm, dropCentreInsideMm },
    spacerMm: spacer.thicknessMm,
    spacerType: spacer.type,
    allowances: allowancesOf(tire, allowances),
  };
}

/** What every candidate may be beyond its free section: the setup's own, with room for a chain where one is wanted. */
export function candidateAllowances(
  { setup }: CaseDescription,
  { constraints }: FinderQuestion,
): TireAllowances | undefined {
  const { chain } = constraints;
  return chain ? { ...setup?.allowances, chain } : setup?.allowances;
}
