import type { LeverKind } from '@/core/6-decisions/levers/lever-kinds';
import type { MissKind, PracticeLevel } from '@/core/6-decisions/practice/task';

export const LEVEL_WORDS: Readonly<Record<PracticeLevel, string>> = {
  offset: '1 Offset sums',
  touch: '2 What touches first',
  lifted: '3 With a lift',
  lever: '4 What clears it',
};

export const MISS_WORDS: Readonly<Record<MissKind, string>> = {
  arithmetic: 'the sum',
  thing: 'which part',
  posture: 'at which steer and travel',
  amount: 'by how much',
  lever: 'what clears it',
};

/** Things of the invented wells. */
export const THING_NAMES: Readonly<Record<string, string>> = {
  'fender-lip': 'Fender lip',
  'bumper-corner': 'Bumper corner',
  'pinch-weld': 'Pinch weld',
  'body-mount': 'Body mount',
  'frame-rail': 'Frame rail',
  'sway-bar-link': 'Sway-bar link',
  'arm-end': 'Arm end',
};

/** Changes offered at the level of levers. */
export const LEVER_NAMES: Readonly<Partial<Record<LeverKind, string>>> = {
  offsetMore: 'More offset',
  offsetLess: 'Less offset',
  widthLess: 'A narrower tire',
  springLift: 'Lift on the springs',
  bumpStop: 'A longer bump stop',
};
