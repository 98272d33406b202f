/** What hangs beneath a vehicle and turns with its height: where it is drawn, and what is to be said of it. */
import { axleOf, cornerName, type Axle, type CornerKey } from '@/core/2-vehicle/setup/corner-key';
import type { Called } from '@/core/5-consequences/stance/called-for';
import { calledForShort } from './called-for-words';
import type { CornerReport } from './use-stance';

export const UNDER_PARTS = ['shock', 'joints', 'shafts', 'sway', 'dragLink'] as const;
export type UnderPart = (typeof UNDER_PARTS)[number];

export interface UnderPlace {
  readonly part: UnderPart;
  readonly axle: Axle;
  /** Of what each corner has of its own. */
  readonly corner: CornerKey | null;
  readonly name: string;
  readonly where: string;
  readonly says: string;
  readonly state: 'wanted' | 'open' | 'fine';
}

/** Which part answers for what a height can call for; parts of a body lift are none that hangs beneath. */
const PART_OF: Readonly<Record<Called, UnderPart | null>> = {
  droopTravel: 'shock',
  longerShock: 'shock',
  bumpStopOrShorterShock: 'shock',
  longerHose: 'shock',
  longerSensorWire: 'shock',
  longerParkingCable: 'shock',
  camberCorrection: 'joints',
  casterCorrection: 'joints',
  jointCorrection: 'joints',
  panhardCorrection: 'joints',
  alignment: 'joints',
  swayLink: 'sway',
  dragLink: 'dragLink',
  differentialDrop: 'shafts',
  driveshaftJoint: 'shafts',
  slipJoint: 'shafts',
  bodyLiftParts: null,
};

const NAMES: Readonly<Record<UnderPart, string>> = {
  shock: 'Shock and lines',
  joints: 'Joints and adjusters',
  shafts: 'Shafts',
  sway: 'Sway bar',
  dragLink: 'Drag link, track bar',
};

/** `steersBeam`: the axle has a drag link. */
export function underPlaces(reports: readonly CornerReport[], steersBeam: (axle: Axle) => boolean): UnderPlace[] {
  const axles = (['front', 'rear'] as const).filter((axle) => reports.some(({ key }) => axleOf(key) === axle));
  return [
    ...reports.map((report) => placeOf('shock', axleOf(report.key), report.key, [report])),
    ...axles.flatMap((axle) =>
      UNDER_PARTS.filter((part) => part !== 'shock' && (part !== 'dragLink' || steersBeam(axle))).map((part) =>
        placeOf(
          part,
          axle,
          null,
          reports.filter(({ key }) => axleOf(key) === axle),
        ),
      ),
    ),
  ];
}

function placeOf(part: UnderPart, axle: Axle, corner: CornerKey | null, reports: readonly CornerReport[]): UnderPlace {
  const calls = reports.flatMap((report) => report.calls).filter(({ what }) => PART_OF[what] === part);
  const open = reports.flatMap((report) => report.open).filter(({ what }) => PART_OF[what] === part);
  const where = corner ? cornerName(corner) : axle;
  const at = { part, axle, corner, name: NAMES[part], where };
  const [first] = calls;
  if (first) return { ...at, says: calledForShort(first), state: 'wanted' };
  return open.length > 0
    ? { ...at, says: 'not measured', state: 'open' }
    : { ...at, says: 'nothing wanted', state: 'fine' };
}

/** As it is kept in the address. */
export const placeId = ({ part, axle, corner }: Pick<UnderPlace, 'part' | 'axle' | 'corner'>): string =>
  `${part}.${corner ?? axle}`;
