import type { ComebackCause, FollowUpKind } from '@/core/7-job/follow-up/due';

export const FOLLOW_UP_WORDS: Readonly<Record<FollowUpKind, string>> = {
  wheelNuts: 'Wheel nuts: torque again, by the maker’s value',
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
