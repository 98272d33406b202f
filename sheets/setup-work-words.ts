import type { LiftPart } from '@/core/2-vehicle/setup/lift-part';
import type { SetupWork } from '@/core/6-decisions/plan/setup-work';
import { MODIFICATION_WORDS } from './plan-words';
import { bothUnits } from '@/core/1-base/units/length';
import { cornerName } from '@/core/2-vehicle/setup/corner-key';

/** Parts as they lie on the bench, two of a kind. */
export const PARTS: Readonly<Record<LiftPart['kind'], string>> = {
  ride: 'springs',
  springSpacer: 'spring spacers',
  collar: 'threaded collars',
  torsionBar: 'torsion-bar adjusters',
  addedLeaf: 'added leaves',
  coilSpring: 'coil springs',
  load: 'load',
  strutTopSpacer: 'strut-top spacers',
  liftSpindle: 'lift spindles',
  armBracket: 'arm drop brackets',
  block: 'blocks',
  shackle: 'shackles',
  bumpStop: 'bump stops',
  longerShock: 'shocks',
  coilOver: 'struts or coil-overs',
  upperArm: 'upper arms',
  swayBarDrop: 'sway-bar spacers',
  drop: 'drop parts',
  body: 'body-lift blocks',
};

/** How much of a part, as its number says. */
function partAmount(part: LiftPart): string {
  switch (part.kind) {
    case 'ride':
    case 'coilOver':
    case 'body':
      return bothUnits(part.liftMm);
    case 'springSpacer':
    case 'strutTopSpacer':
    case 'block':
      return bothUnits(part.thicknessMm);
    case 'collar':
    case 'torsionBar':
      return `${part.turns} turns`;
    case 'shackle':
    case 'longerShock':
      return `${bothUnits(part.extraMm)} longer`;
    case 'bumpStop':
      return `${bothUnits(part.lengthMm)} longer`;
    case 'drop':
    case 'liftSpindle':
    case 'armBracket':
    case 'swayBarDrop':
      return bothUnits(part.dropMm);
    case 'coilSpring':
      return `${part.next.rateNPerMm} N/mm, ${bothUnits(part.next.freeLengthMm)} free`;
    case 'addedLeaf':
    case 'load':
    case 'upperArm':
      return '';
  }
}

const joined = (...words: readonly string[]): string => words.filter(Boolean).join(', ');

/** What is fitted, set or taken off: `strut-top spacers, 20 mm (13/16 in)`. */
export function workName({ what, as, amount, part, spacerType, at }: SetupWork): string {
  switch (what) {
    case 'part':
      return part ? joined(PARTS[part.kind], part.starting?.length ? 'size not entered yet' : partAmount(part)) : '';
    case 'rideHeight':
      return joined('springs', `${bothUnits(Math.abs(amount))} ${amount < 0 ? 'lower' : 'higher'}`);
    case 'bodyLift':
      return joined(PARTS.body, bothUnits(amount));
    case 'bumpStop':
      return joined(PARTS.bumpStop, `${bothUnits(amount)} longer`);
    case 'subframeDrop':
      return joined(PARTS.drop, bothUnits(amount));
    case 'axleMove':
      return `axle moved ${bothUnits(Math.abs(amount))} ${amount > 0 ? 'forward' : 'back'}`;
    case 'steeringStop':
      return `steering stops, ${amount.toFixed(1)}° less lock`;
    case 'takeOff':
      return 'label' in at ? `${at.label} taken off` : 'taken off';
    case 'wheelsAndTires':
      return 'wheels and tires';
    case 'partOff':
      return part ? `${PARTS[part.kind]} taken off` : '';
    case 'armAdjust':
      return `arms set for ${Math.abs(amount).toFixed(1)}° ${amount > 0 ? 'more' : 'less'} caster`;
    case 'reshape':
      return 'label' in at ? `${at.label}: ${MODIFICATION_WORDS[as].toLowerCase()}` : MODIFICATION_WORDS[as];
    case 'spacersOff':
      return 'wheel spacers taken off';
    case 'spacer':
      return joined(spacerType === 'boltOn' ? 'bolt-on spacers' : 'slip-on spacers', bothUnits(amount));
  }
}

/** The same with where it goes. */
export function workWords(work: SetupWork): string {
  const { at, sides } = work;
  const name = workName(work);
  if ('whole' in at) return `Body: ${name}`;
  if ('corner' in at) return `${cornerName(at.corner)[0]!.toUpperCase()}${cornerName(at.corner).slice(1)}: ${name}`;
  const axle = `${at.axle === 'front' ? 'Front' : 'Rear'} axle`;
  return `${axle}: ${name}${sides === 'both' ? '' : `, ${sides} side only`}`;
}
