import { liftOf } from '@/core/5-consequences/stance/expected-height';
import type { Joint, JointAt } from '@/core/7-job/install/joints';
import type { InstallKind } from '@/core/7-job/install/install-kind';
import type { SheetStep } from '@/core/7-job/install/install-sheet';
import type { Hold, PieceState } from '@/core/7-job/install/receiving';
import type { Modification } from '@/core/6-decisions/plan/modification';
import { STANDING_WORDS, stepWords } from './plan-words';
import { workName, workWords } from './setup-work-words';

const sideOf = ({ works }: SheetStep): string => {
  const sides = new Set(works.map(({ sides: one }) => one));
  const [only] = sides;
  return sides.size === 1 && only && only !== 'both' ? `${only} side, ` : '';
};
/** Parts that lift on one spring are stacked: they overshoot, and the next is fitted by what the one before came to. */
const partsOf = ({ works }: SheetStep): string => {
  const names = works.map(workName).join('; ') || 'parts';
  const lifting = works.filter(({ part, what, amount }) =>
    part ? liftOf(part) > 0 : what === 'rideHeight' && amount > 0,
  );
  return lifting.length > 1 ? `${names}: stacked on one spring, measure after each` : names;
};
const axleOf = ({ axle }: SheetStep): string => (axle ? `${axle[0]!.toUpperCase()}${axle.slice(1)} axle` : 'Vehicle');

const WORDS: Readonly<Record<InstallKind, (step: SheetStep) => string>> = {
  soakBolts: () => 'Days before: soak every bolt that has to come off, and again the day before.',
  layOutParts: () => 'Lay out all parts; old beside new before anything is fitted.',
  heightsBefore: () => 'Roll and bounce it, then read hub to lip and ground to lip at all four corners once more.',
  liftVehicle: () => 'Chock it, lift it on level ground, set it on stands rated for it; wheels off.',
  prescribed: ({ prescribed }) => (prescribed ? `${prescribed.text} (${prescribed.source})` : ''),
  supportAxle: (step) =>
    `${axleOf(step)}: carry its weight on a jack before a shock${step.isLeaf ? ', bolt or U-bolt' : ' or bolt'} is loosened.`,
  linesOff: (step) => `${axleOf(step)}: brake lines, hoses and sensor wires off their brackets before it hangs down.`,
  markOrientation: (step) => `${axleOf(step)}: mark side, end and turn of everything that comes off.`,
  unloadSpring: (step) => `${axleOf(step)}: take the load off the springs slowly; a compressor holds lethal energy.`,
  fitPattern: (step) => `${axleOf(step)}: one side whole, the other as the pattern to look at (${partsOf(step)}).`,
  fitMirror: (step) => `${axleOf(step)}: then the other side; check mirror-image parts, do not take them for granted.`,
  fitTogether: (step) =>
    sideOf(step)
      ? `${axleOf(step)}: ${sideOf(step)}the other one carried at its height (${partsOf(step)}).`
      : `${axleOf(step)}: both sides together, the beam kept level (${partsOf(step)}).`,
  uBoltsLoose: (step) => `${axleOf(step)}: new U-bolts, drawn up evenly crosswise; final torque on its wheels.`,
  looseUntilLoaded: (step) => `${axleOf(step)}: rubber bushings stay loose until it stands on its wheels.`,
  work: ({ works: [work] }) => (work ? `${workWords(work)}.` : ''),
  planned: ({ planned }) => (planned ? stepWords(planned) : ''),
  spacersOn: (step) =>
    step.spacerType === 'boltOn'
      ? `${axleOf(step)}: ${partsOf(step)} on the bare hub face, their own nuts by hand, then in a star to the spacer maker’s torque; the wheel’s nuts are a second joint with its own torque. Turn the wheel: no stud end touches its pad.`
      : `${axleOf(step)}: ${partsOf(step)} flat on the bare hub face, centered; count the turns each nut takes before its seat (at least eight).`,
  wheelsOn: () => 'Wheels on: faces clean and bare, nuts by hand first, then evenly in a star in steps.',
  brakeCheck: () => 'Turn lock to lock and let it hang: no brake hose, cable or wire is tight or touches.',
  onItsWheels: () => 'Down on its wheels; roll it back and forth, bounce it, settle it.',
  torqueAtHeight: () => 'Tighten bushing bolts at ride height, by the makers’ instructions.',
  heightsAfter: () => 'Read all four corners again and begin the test fit.',
  trialFit: () => `${STANDING_WORDS.trialFit}.`,
  lookBehind: () => `${STANDING_WORDS.lookBehind}.`,
  flexAgain: () => `${STANDING_WORDS.flexAgain}; measure the new edges in the test fit.`,
  sealEdges: () => `${STANDING_WORDS.sealEdges}.`,
  alignment: () => 'Alignment; steering wheel centered; headlamps aimed.',
  reTorque: () => `${STANDING_WORDS.reTorque}.`,
  own: () => '',
};

export const installStepText = (step: SheetStep): string => WORDS[step.kind](step);

/** Tools that a kind of step wants at hand; what the makers' instructions name comes first. */
const TOOLS: Readonly<Partial<Record<InstallKind, string>>> = {
  soakBolts: 'penetrating oil, wire brush',
  heightsBefore: 'tape',
  liftVehicle: 'chocks, floor jack, rated stands',
  supportAxle: 'second jack',
  linesOff: 'line clips, wire to hang the caliper',
  markOrientation: 'paint pen',
  unloadSpring: 'spring compressor in good order',
  fitPattern: 'sockets, breaker bar, drift',
  fitMirror: 'sockets, breaker bar, drift',
  fitTogether: 'sockets, breaker bar, drift',
  uBoltsLoose: 'deep sockets',
  spacersOn: 'wire brush, torque wrench',
  wheelsOn: 'wire brush, torque wrench',
  torqueAtHeight: 'torque wrench',
  heightsAfter: 'tape',
  trialFit: 'humps or ramps, chalk',
  lookBehind: 'lamp, mirror',
  flexAgain: 'humps or ramps, tape',
  sealEdges: 'files, primer, paint, seam sealer',
  alignment: 'alignment bench',
  reTorque: 'torque wrench',
};

/** The same for changes of things. */
const CHANGE_TOOLS: Readonly<Partial<Record<Modification, string>>> = {
  unbolt: 'sockets',
  reroute: 'clips, ties',
  tuckLiner: 'clips, trim tool',
  heatForm: 'heat gun, gloves',
  trimPlastic: 'snips or knife, file',
  foldLip: 'hammer and dolly, heat gun',
  rollFender: 'fender roller, heat gun',
  grindTab: 'grinder, eye protection',
  cutSheetMetal: 'shears or cutting disc, files, eye protection',
  bodyMountChop: 'cutting disc, welder, eye protection',
};

export const installTools = ({ kind, planned }: SheetStep): string =>
  (planned ? CHANGE_TOOLS[planned.kind] : TOOLS[kind]) ?? '';

const JOINT_WORDS: Readonly<Record<Joint, string>> = {
  springMounts: 'spring and shock mounts',
  uBolts: 'U-bolt nuts',
  shackleBolts: 'shackle bolts, at ride height',
  strutTopNuts: 'strut top nuts',
  shockMounts: 'shock mounts',
  ballJoints: 'ball joint nuts',
  bracketBolts: 'bracket bolts',
  armBushings: 'arm and link bushing bolts, at ride height',
  swayBarMounts: 'sway bar mounts and links',
  bumpStopBolts: 'bump stops',
  steeringStopNuts: 'steering stop lock nuts',
  bodyMountBolts: 'body mount bolts',
  tieRodLockNuts: 'tie rod lock nuts, after the alignment',
  spacerToHub: 'spacer to hub',
  wheelToSpacer: 'wheel to spacer',
  wheelNuts: 'wheel nuts',
};

/** `Front: spacer to hub`. */
export const jointWords = ({ joint, axle }: JointAt): string =>
  `${axle === null ? 'Body' : axle === 'front' ? 'Front' : 'Rear'}: ${JOINT_WORDS[joint]}`;

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
