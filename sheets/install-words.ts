import type { InstallKind, SheetStep } from '@/core/7-job/install/install-sheet';
import type { Hold, PieceState } from '@/core/7-job/install/receiving';
import { stepWords } from './plan-words';
import { PARTS } from './setup-work-words';

const partsOf = ({ parts }: SheetStep): string => parts.map((kind) => PARTS[kind]).join(', ') || 'parts';
const axleOf = ({ axle }: SheetStep): string => (axle ? `${axle[0]!.toUpperCase()}${axle.slice(1)} axle` : 'Vehicle');

const WORDS: Readonly<Record<InstallKind, (step: SheetStep) => string>> = {
  soakBolts: () => 'Days before: soak every bolt that has to come off, and again the day before.',
  layOutParts: () => 'Lay out all parts; old beside new before anything is fitted.',
  heightsBefore: () => 'Roll and bounce it, then read hub to lip and ground to lip at all four corners once more.',
  liftVehicle: () => 'Chock it, lift it on level ground, set it on stands rated for it; wheels off.',
  supportAxle: (step) =>
    `${axleOf(step)}: carry its weight on a jack before a shock${step.isLeaf ? ', bolt or U-bolt' : ' or bolt'} is loosened.`,
  linesOff: (step) => `${axleOf(step)}: brake lines, hoses and sensor wires off their brackets before it hangs down.`,
  markOrientation: (step) => `${axleOf(step)}: mark side, end and turn of everything that comes off.`,
  unloadSpring: (step) => `${axleOf(step)}: take the load off the springs slowly; a compressor holds lethal energy.`,
  fitPattern: (step) => `${axleOf(step)}: one side whole, the other as the pattern to look at (${partsOf(step)}).`,
  fitMirror: (step) => `${axleOf(step)}: then the other side; check mirror-image parts, do not take them for granted.`,
  fitTogether: (step) => `${axleOf(step)}: both sides together, the beam kept level (${partsOf(step)}).`,
  uBoltsLoose: (step) => `${axleOf(step)}: new U-bolts, drawn up evenly crosswise; final torque on its wheels.`,
  looseUntilLoaded: (step) => `${axleOf(step)}: rubber bushings stay loose until it stands on its wheels.`,
  spacersOn: (step) =>
    step.spacerType === 'boltOn'
      ? `${axleOf(step)}: bolt-on spacers on the bare hub face, their own nuts by hand, then in a star to the spacer maker’s torque; the wheel’s nuts are a second joint with its own torque. Turn the wheel: no stud end touches its pad.`
      : `${axleOf(step)}: slip-on spacers flat on the bare hub face, centred; count the turns each nut takes before its seat (at least eight).`,
  planned: ({ planned }) => (planned ? stepWords(planned) : ''),
  wheelsOn: () => 'Wheels on: faces clean and bare, nuts by hand first, then evenly in a star in steps.',
  brakeCheck: () => 'Turn lock to lock and let it hang: no brake hose, cable or wire is tight or touches.',
  onItsWheels: () => 'Down on its wheels; roll it back and forth, bounce it, settle it.',
  torqueAtHeight: () => 'Tighten bushing bolts at ride height, by the makers’ instructions.',
  heightsAfter: () => 'Read all four corners again and begin the test fit.',
  alignment: () => 'Alignment; steering wheel centred; headlamps aimed.',
  own: () => '',
};

export const installStepText = (step: SheetStep): string => WORDS[step.kind](step);

export const PIECE_STATE_WORDS: Readonly<Record<PieceState, string>> = {
  notLooked: 'Not looked at',
  right: 'Right',
  missing: 'Missing',
  wrong: 'Wrong part',
  unknown: 'Nobody knows it',
};

export const HOLD_WORDS: Readonly<Record<Hold['why'], string>> = {
  notLooked: 'not looked at yet',
  tooFew: 'too few',
  tooMany: 'one too many: what is it for?',
  missing: 'missing',
  wrong: 'not the right part',
  unknown: 'nobody knows what it is',
};
