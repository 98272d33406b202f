import type { Called, CalledFor, NotAnswered, NotMeasured } from '@/core/5-consequences/stance/called-for';
import type { CornerStance } from '@/core/5-consequences/stance/stance-report';
import { bothUnits, formatMm } from '@/core/1-base/units/length';

/** What is wanted, in a word or two, and what its amount is in; for a table. */
const SHORT: Readonly<Record<Called, readonly [words: string, unit: 'mm' | 'deg' | null]>> = {
  droopTravel: ['more droop', 'mm'],
  longerShock: ['longer shocks', 'mm'],
  bumpStopOrShorterShock: ['bump stop or shorter shocks', 'mm'],
  longerHose: ['longer brake hoses', 'mm'],
  longerSensorWire: ['more sensor wire', 'mm'],
  longerParkingCable: ['longer parking cable', 'mm'],
  camberCorrection: ['camber correction', 'deg'],
  casterCorrection: ['caster correction', 'deg'],
  jointCorrection: ['arms that spare the joints', 'deg'],
  panhardCorrection: ['adjustable panhard rod', 'mm'],
  swayLink: ['longer sway-bar links', null],
  dragLink: ['drag link set anew', 'deg'],
  differentialDrop: ['differential drop', 'deg'],
  driveshaftJoint: ['high-angle driveshaft joint', 'deg'],
  slipJoint: ['longer driveshaft or spacer', 'mm'],
  bodyLiftParts: ['body-lift parts', null],
  alignment: ['alignment', null],
};

const amount = (by: number, unit: 'mm' | 'deg'): string =>
  unit === 'deg' ? `${Math.abs(by).toFixed(1)}°` : `${formatMm(Math.abs(by), 0)} mm`;

export function calledForShort({ what, by }: CalledFor): string {
  const [words, unit] = SHORT[what];
  return unit === null ? words : `${words} ${amount(by, unit)}`;
}

/** What was wanting before the change, where anything was. */
const alreadyWords = ({ what, already }: CalledFor): string => {
  const unit = SHORT[what][1];
  return already === undefined || unit === null ? '' : ` ${amount(already, unit)} was wanting before the change.`;
};

/** What a height calls for, with what the change adds. */
export const calledForWords = (call: CalledFor): string => `${called(call)}${alreadyWords(call)}`;

function called({ what, by, fromMm, casterDeg = 0 }: CalledFor): string {
  const mm = bothUnits(Math.abs(by));
  const degrees = `${Math.abs(by).toFixed(1)}°`;
  switch (what) {
    case 'droopTravel':
      return `Longer shocks or struts: parked, ${mm} of droop are wanting.`;
    case 'longerShock':
      return `Longer shocks: these lack ${mm} of what the hanging wheel wants; they would stop the droop.`;
    case 'bumpStopOrShorterShock':
      return `A bump stop or shorter shocks: these lack ${mm} of stroke before the stop.`;
    case 'longerHose':
      return `Longer or moved brake hoses: ${mm} lacking at full droop. Never strain one.`;
    case 'longerSensorWire':
      return `More slack in the sensor wire: ${mm} lacking at full droop.`;
    case 'longerParkingCable':
      return `More length in the parking cable: ${mm} lacking at full droop.`;
    case 'camberCorrection':
      return `Camber correction (arms or cam bolts): ${degrees} more than what the adjusters may take back.`;
    case 'casterCorrection':
      return `Caster correction (arms, wedges or brackets): ${degrees} more than what the adjusters may take back.`;
    case 'jointCorrection':
      return `Arms or brackets that spare the joints: ${degrees} beyond what is wanted of them${fromMm === undefined ? '' : `, from ${formatMm(Math.abs(fromMm), 0)} mm ${fromMm > 0 ? 'up' : 'down'} on`}.`;
    case 'panhardCorrection':
      return `An adjustable track bar or its drop bracket: the axle stands ${mm} to the side, and the steering wheel off center.`;
    case 'swayLink':
      return 'Longer or moved sway-bar links, or a spacer under its bearings: arm and link come near to lying in line, or lean further than wanted.';
    case 'dragLink':
      return `A drag link set anew or a dropped steering arm: driven straight, the steering wheel stands ${degrees} to the ${by > 0 ? 'left' : 'right'}.`;
    case 'differentialDrop':
      return `A differential drop or less height: the half shafts work ${degrees} beyond what is wanted of their joints.`;
    case 'driveshaftJoint':
      return `A high-angle driveshaft joint, or the pinion turned: ${degrees} beyond what is wanted of its joints.`;
    case 'slipJoint':
      return `A longer driveshaft or a spacer on it: the slip joint lacks ${mm} of what is to stay engaged.`;
    case 'bodyLiftParts':
      return 'With the body lift: a steering-shaft extension, bumpers moved, wiring and hoses rerouted.';
    case 'alignment':
      return `An alignment: at ride height ${[...changeOf('camber', by), ...changeOf('caster', casterDeg)].join(' and ')}.`;
  }
}

/** degrees: less is no change that an alignment bench reads. */
const SAME_DEG = 0.05;
const changeOf = (angle: string, deg: number): string[] =>
  Math.abs(deg) > SAME_DEG ? [`${angle} changes by ${Math.abs(deg).toFixed(1)}°`] : [];

const NOT_MEASURED: Readonly<Record<NotMeasured, string>> = {
  shockLengths: 'the shock’s lengths (baseline, underbody sheet)',
  shockRatio: 'shock travel per wheel travel (joints and adjusters)',
  brakeHose: 'spare length of the brake hose (baseline, underbody sheet)',
  sensorWire: 'spare length of the sensor wire (baseline, underbody sheet)',
  parkingCable: 'spare length of the parking cable (baseline, underbody sheet)',
  camberReach: 'how far camber adjusts (joints and adjusters)',
  casterReach: 'how far caster adjusts (joints and adjusters)',
  jointLimits: 'how far ball joints and arms may swing (joints and adjusters)',
  panhard: 'both ends of the panhard rod (baseline, how the wheel moves)',
  swayBar: 'the sway bar and its link',
  dragLink: 'the drag link',
  halfShafts: 'the half shafts, if it is driven (shafts)',
  driveshaft: 'the driveshaft, if it is driven (shafts)',
  shaftLimit: 'what the shaft’s joints stand (joints and adjusters)',
  slipJoint: 'the slip joint, engaged and least (baseline)',
};

/** Questions of one corner without an answer: what to measure, each thing once. */
export const notAnsweredWords = (open: readonly NotAnswered[]): string =>
  [...new Set(open.flatMap(({ missing }) => missing))].map((one) => NOT_MEASURED[one]).join('; ');

/** What the setup changes of the alignment at ride height, and up to which height the adjusters can take it back. */
export function adjustWords({ camberDeg, casterDeg, upToMm, downToMm }: NonNullable<CornerStance['adjust']>): string {
  const changes = [...changeOf('camber', camberDeg), ...changeOf('caster', casterDeg ?? 0)].join(', ');
  const from = [
    ...(upToMm === null ? [] : [`${upToMm} mm of lift`]),
    ...(downToMm === null ? [] : [`${downToMm} mm of lowering`]),
  ];
  return `At ride height ${changes || 'camber and caster stay'}${from.length > 0 ? `; adjusters are at their end from ${from.join(', or ')}` : ''}.`;
}
