import type { OpenMatter } from '@/core/7-job/follow-up/still-open';
import type { ComebackCause, FollowUpKind } from '@/core/7-job/follow-up/due';

export const FOLLOW_UP_WORDS: Readonly<Record<FollowUpKind, string>> = {
  wheelNuts: 'Wheel nuts: torque again, by the maker’s value',
  spacers: 'Spacers: wheels off, the spacer’s own nuts torqued again, then the wheel’s',
  uBolts: 'U-bolts: torque again on its wheels',
  alignment: 'Alignment',
  rubCheck: 'Look for rub marks in every wheel well',
  steeringWheel: 'Steering wheel: does it stand straight?',
  customer: 'What the customer asked for',
  yearly: 'Yearly look: rub marks, joints, seals, heights',
};

export const COMEBACK_WORDS: Readonly<Record<ComebackCause, string>> = {
  rub: 'It rubs',
  loose: 'Something came loose',
  height: 'Height is not as wanted',
  alignment: 'Pulls, wanders or wears tires',
  leakOrLine: 'Leak, hose or wire',
  noise: 'Noise',
  other: 'Something else',
};

const MATTER_WORDS: Readonly<Record<OpenMatter, (count: number) => string>> = {
  steps: (count) => `${count} step${count === 1 ? '' : 's'} of the installation not done`,
  fasteners: (count) => `${count} fastener${count === 1 ? '' : 's'} not tightened to the maker’s torque`,
  noTestFit: () => 'no test fit was made',
  short: () => 'somewhere less room is left than is wanted',
  notKnown: () => 'it is not known whether it clears',
};

/** What was or is open: `2 steps of the installation not done; no test fit was made`. */
export const openWords = (open: readonly { readonly matter: OpenMatter; readonly count: number }[]): string =>
  open.map(({ matter, count }) => MATTER_WORDS[matter](count)).join('; ');
