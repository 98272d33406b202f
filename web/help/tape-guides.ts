/** Small drawings of where a tape or a straight edge goes; each in a box of 160 x 110, tires cut or from outside. */
export interface TapeGuide {
  readonly id:
    | 'hubToLip'
    | 'backspacingOff'
    | 'backspacingOn'
    | 'outboard'
    | 'straightOut'
    | 'nearest'
    | 'corner'
    | 'inboard'
    | 'picture';
  readonly title: string;
  readonly says: string;
  /** Tire or wheel, filled. */
  readonly solid: readonly string[];
  /** Parts of the vehicle, as strokes. */
  readonly parts: readonly string[];
  /** What is measured, between two dots. */
  readonly tape: readonly (readonly [x1: number, y1: number, x2: number, y2: number])[];
  /** A straight edge laid on. */
  readonly edge?: string;
  readonly notes?: readonly (readonly [x: number, y: number, text: string])[];
}

/** A tire from outside, and cut through from the front; both about a hub at (80, 74) or (96, 60). */
const ROUND = 'M80 40a34 34 0 1 0 .1 0Z';
const SECTION = 'M82 30Q80 22 88 20H104Q112 22 110 30V90Q112 98 104 100H88Q80 98 82 90Z';

export const TAPE_GUIDES: readonly TapeGuide[] = [
  {
    id: 'hubToLip',
    title: 'Hub to lip',
    says: 'From the middle of the wheel straight up to the lower edge of the fender. A tire has no part in it.',
    solid: [ROUND],
    parts: ['M30 40Q44 14 80 14T130 40'],
    tape: [[80, 74, 80, 15]],
  },
  {
    id: 'backspacingOff',
    title: 'Backspacing, wheel off the vehicle',
    says: 'Wheel face down. A straight edge across the inner flange; from its underside down to the mounting pad.',
    solid: ['M30 30H36V38H62V92H98V38H124V30H130V98H124V100H36V98H30Z'],
    parts: [],
    edge: 'M20 27H140',
    tape: [[80, 29, 80, 91]],
    notes: [[92, 66, 'pad']],
  },
  {
    id: 'backspacingOn',
    title: 'Backspacing, wheel on the vehicle',
    says: 'A straight edge upright against the inner sidewall’s flange; from it outboard to the drum’s or rotor’s face that the wheel is bolted to.',
    solid: [SECTION],
    parts: ['M20 60H92M92 42V78'],
    edge: 'M78 12V108',
    tape: [[79, 60, 91, 60]],
    notes: [[22, 52, 'axle']],
  },
  {
    id: 'outboard',
    title: 'How far outboard',
    says: 'Outboard is away from the vehicle. A straight edge upright against the outer sidewall; from it sideways to the edge of the part. Further in is a minus.',
    solid: [SECTION],
    parts: ['M60 12H124V26'],
    edge: 'M112 8V108',
    tape: [[113, 22, 123, 22]],
    notes: [
      [28, 104, '← inboard'],
      [104, 104, 'outboard →'],
    ],
  },
  {
    id: 'straightOut',
    title: 'A lip or an arch: straight out',
    says: 'Hold the tape square to the tire at the clock asked for and read where it meets the edge.',
    solid: [ROUND],
    parts: ['M30 40Q44 14 80 14T130 40'],
    tape: [
      [80, 40, 80, 15],
      [103, 49, 119, 29],
    ],
  },
  {
    id: 'nearest',
    title: 'A mount, a weld, a link: nearest',
    says: 'Slide the tape along the part until the gap is least; read the clock there.',
    solid: [ROUND],
    parts: ['M28 56V104H14'],
    tape: [[46, 78, 29, 80]],
  },
  {
    id: 'corner',
    title: 'A lower corner: nearest, at both locks',
    says: 'Turned, the tire meets another place of it. Nearest straight ahead, then full left, then full right.',
    solid: [ROUND],
    parts: ['M130 40V88Q130 98 120 100'],
    tape: [[113, 82, 129, 86]],
  },
  {
    id: 'inboard',
    title: 'Arms, rails, links inboard',
    says: 'From the inner sidewall or shoulder, sideways: reach over the tire or from below, wheels chocked, on stands.',
    solid: [SECTION],
    parts: ['M18 44H44', 'M44 37a7 7 0 1 0 .1 0Z'],
    tape: [[51, 44, 81, 44]],
  },
  {
    id: 'picture',
    title: 'Picturing the wheel',
    says: 'Two steps off and about square to the wheel, at the hub’s height, arch and tire whole. A second picture from ahead and above, or behind and low, says how far out everything stands.',
    solid: ['M18 30H30V90H18Z'],
    parts: ['M14 22H34', 'M132 52H148V68H132L122 64V56Z'],
    tape: [[31, 60, 121, 60]],
    notes: [[58, 52, '1.5 - 2.5 m']],
  },
];
