/** The demo job that went all the way: an invented pickup that was leveled, test fitted, handed over and looked at again. */
import type { FileInput } from './demo-input';

const SETUP = {
  tire: { size: '275/70R17' },
  wheel: { diameterIn: 17, widthIn: 8, offsetMm: 25 },
  parts: [{ kind: 'ride', liftMm: 40 }],
} satisfies FileInput['setup'];

const at = (day: string, time: string): string => `2026-11-${day}T${time}:00Z`;

/** The same kind of pickup as the one that is surveyed, with all that came after. */
export const liftLinePickup = (pickup: FileInput): FileInput => ({
  ...pickup,
  vehicle: {
    ...pickup.vehicle,
    label: 'Tarnfell 1500 lift-line pickup, no. 4',
    notes: 'Sister of the patrol pickup; wells surveyed on that one and checked here.',
  },
  setup: SETUP,
  install: {
    plannedMinutes: 260,
    pieces: [
      {
        id: 'spring',
        name: 'Front springs',
        wanted: 2,
        found: 2,
        side: 'both',
        besideOld: 'asIntended',
        state: 'right',
      },
      { id: 'block', name: 'Rear spring, long leaf', wanted: 2, found: 2, side: 'both', state: 'right' },
      { id: 'nut', name: 'Flange nuts', wanted: 8, found: 8, thread: 'M12 x 1.5', state: 'right' },
    ],
    steps: [
      {
        id: 's1',
        kind: 'soakBolts',
        text: 'Days before: soak every bolt that has to come off, and again the day before.',
        doneAt: at('16', '15:10'),
        doneBy: 'Jo',
        spentMinutes: 20,
      },
      {
        id: 's2',
        kind: 'layOutParts',
        text: 'Lay out all parts; old beside new before anything is fitted.',
        doneAt: at('18', '07:20'),
        doneBy: 'Jo',
        spentMinutes: 25,
      },
      {
        id: 's3',
        kind: 'supportAxle',
        text: 'Front axle: carry its weight on a jack before a shock, bolt or U-bolt is loosened.',
        cautions: ['supportAxle'],
        doneAt: at('18', '08:05'),
        doneBy: 'Jo',
        spentMinutes: 30,
      },
      {
        id: 's4',
        kind: 'fitPattern',
        text: 'Front axle: one side whole, the other as the pattern to look at (springs).',
        cautions: ['springEnergy'],
        doneAt: at('18', '10:40'),
        doneBy: 'Jo',
        spentMinutes: 155,
        note: 'Sway-bar link bent by hand to go back on',
      },
      {
        id: 's5',
        kind: 'wheelsOn',
        text: 'Wheels on: faces clean and bare, nuts by hand first, then evenly in a star in steps.',
        cautions: ['cleanBareFaces', 'reTorque'],
        doneAt: at('18', '13:30'),
        doneBy: 'Sam',
        spentMinutes: 35,
      },
      {
        id: 's6',
        kind: 'alignment',
        text: 'Alignment; steering wheel centered; headlamps aimed.',
        cautions: ['sensors'],
      },
    ],
    fasteners: [{ id: 'f1', name: 'Link bolt, lower', socket: '18 mm', count: 2 }],
    used: [{ name: 'Strut top nuts', fate: 'replaced' }],
    surprises: [{ what: 'Link bolt seized, cut off', minutes: 50, at: at('18', '09:30') }],
  },
  testFits: [
    {
      id: 'round1',
      date: '2026-11-18',
      title: 'Round 1',
      of: 'bench',
      setup: SETUP,
      heights: {
        frontLeft: { hubToLipMm: 558, groundToLipMm: 951 },
        frontRight: { hubToLipMm: 554, groundToLipMm: 947 },
        rearLeft: { hubToLipMm: 587, groundToLipMm: 978 },
      },
      postures: [
        { kind: 'rideForward', done: true },
        { kind: 'rideReverse', done: true },
        {
          kind: 'humpFrontLeft',
          done: true,
          reach: { frontLeft: { hubToLipMm: 462 }, frontRight: { hubToLipMm: 590 } },
        },
        { kind: 'humpFrontRight', done: false },
        { kind: 'humpRearLeft', done: false },
        { kind: 'humpRearRight', done: false },
        { kind: 'loaded', done: false },
      ],
      findings: [
        {
          corner: 'frontLeft',
          obstacle: 'fender-lip',
          posture: 'humpFrontLeft',
          seen: 'gap',
          gapMm: 66,
          place: 'above the wheel',
        },
        {
          corner: 'frontLeft',
          obstacle: 'bumper-cap',
          posture: 'humpFrontLeft',
          seen: 'gap',
          gapMm: 31,
          place: 'lower corner',
        },
        { corner: 'frontLeft', obstacle: 'body-mount', posture: 'rideForward', seen: 'gap', gapMm: 37 },
        { corner: 'frontLeft', obstacle: 'frame-rail', posture: 'rideForward', seen: 'clear' },
      ],
      trimmed: [],
      note: 'Hump too low for the stop.',
    },
  ],
  followUp: {
    handedOver: '2026-11-20',
    inRecord: true,
    pressures: '240 kPa front, 260 kPa rear',
    spare: 'Fits under the bed, valve inboard',
    watch: 'Listen at full lock in reverse with chains on.',
    due: [
      {
        id: 'd1',
        kind: 'wheelNuts',
        text: 'Wheel nuts: torque again, by the maker’s value',
        due: '2026-11-23',
        doneOn: '2026-11-24',
      },
      { id: 'd2', kind: 'alignment', text: 'Alignment', due: '2026-12-04' },
      { id: 'd3', kind: 'rubCheck', text: 'Look for rub marks in every wheel well', due: '2026-12-20' },
      { id: 'd4', kind: 'yearly', text: 'Yearly look: rub marks, joints, seals, heights', due: '2027-11-20' },
    ],
    alignment: {
      before: {
        frontLeft: { camberDeg: 0.4, casterDeg: 2.8, toeDeg: -0.12 },
        frontRight: { camberDeg: 0.6, casterDeg: 2.9, toeDeg: -0.08 },
      },
    },
    comebacks: [{ date: '2026-11-24', cause: 'noise', note: 'Tick at the left link: nut a turn loose' }],
  },
});
