/**
 * Demo jobs of an invented ski-hill operations garage: made-up makes, parts, people and readings.
 */
import { liftLinePickup } from './demo-fitted-job';
import type { JobContent } from '@/contracts/job-api';
import { lowgapFileSchema } from '@/contracts/lowgap-file';
import { parseLength } from '@/core/1-base/units/length';
import type { CornerInput, FileInput } from './demo-input';
import { PICTURED_CORNER } from './demo-picture-corner';
import { DEMO_PICTURE } from './demo-pictures';
import { rescueWagon } from './demo-plan-job';
import type { ReadingPlace, ReadingSteer } from '@/core/3-survey/reading/reading';

type ReadingInput = NonNullable<NonNullable<CornerInput['obstacles']>[number]['readings']>[number];

const GARAGE = 'Larkspur Hill operations garage';

/** A reading as somebody typed it, in whatever unit was on the tape. */
function reading(
  clock: string,
  across: ReadingPlace,
  gap: string,
  more: { steer?: ReadingSteer; outboard?: string; hubToLip?: string } = {},
): ReadingInput {
  const { steer = 'straight', outboard, hubToLip } = more;
  const mm = (text: string): number => Number(parseLength(text, 'mm').mm.toFixed(3));
  return {
    clock,
    across,
    gapMm: mm(gap),
    steer,
    ...(outboard === undefined ? {} : { outboardMm: mm(outboard) }),
    ...(hubToLip === undefined ? { travelMm: 0 } : { hubToLipMm: mm(hubToLip) }),
    typed: {
      gapMm: gap,
      ...(outboard === undefined ? {} : { outboardMm: outboard }),
      ...(hubToLip === undefined ? {} : { hubToLipMm: hubToLip }),
    },
  };
}

/** One front corner of the patrol pickup. */
function pickupFront(side: 'left' | 'right', hubToLipMm: number): CornerInput {
  // The lock at which this wheel is the inner one of the turn is the larger.
  const toward = side;
  const away = side === 'left' ? 'right' : 'left';
  const left = side === 'left';
  return {
    motion: {
      type: 'doubleWishbone',
      points: {
        ucaFrontPivot: [118, -342, 168],
        ucaRearPivot: [-136, -336, 156],
        upperBallJoint: [-6, -124, 172],
        lcaFrontPivot: [172, -468, -98],
        lcaRearPivot: [-226, -460, -104],
        lowerBallJoint: [10, -66, -128],
        tieRodInner: [148, -424, -52],
        tieRodOuter: [156, -84, -60],
      },
    },
    steering: {
      lockLeftDeg: left ? 35 : 30.5,
      lockRightDeg: left ? 30.5 : 35,
    },
    staticCamberDeg: left ? -0.3 : -0.4,
    staticToeDeg: 0.1,
    travel: { bumpMm: 82, droopMm: 98 },
    hubToLipMm,
    groundToLipMm: hubToLipMm + 386,
    tirePressureKpa: 240,
    fitted: {
      tire: { size: '265/70R17', measuredDiameterMm: 798 },
      wheel: { diameterIn: 17, widthIn: 7.5, offsetMm: 30 },
      spacerMm: 0,
      typed: { measuredDiameterMm: '798 mm' },
    },
    obstacles: [
      {
        id: 'fender-lip',
        label: 'Fender lip',
        mount: 'body',
        material: 'sheetMetal',
        readingsAs: 'polyline',
        readings: [
          reading('9:50', 'tread', left ? '104' : '101', { outboard: '4' }),
          reading('10:45', 'tread', '4 5/8', { outboard: '13' }),
          reading('12:00', 'tread', left ? '123' : '118', { outboard: '5/8' }),
          reading('1:15', 'tread', '4 1/2', { outboard: '13' }),
          reading('2:10', 'tread', left ? '97' : '95', { outboard: '6' }),
        ],
      },
      {
        id: 'bumper-cap',
        label: 'Bumper cap corner',
        mount: 'body',
        material: 'plastic',
        readings: [
          reading('3:10', 'outerShoulder', left ? '2 1/8' : '2 in', { steer: toward }),
          reading('3:40', 'outerShoulder', '58', { steer: toward }),
          reading('2:40', 'outerShoulder', '61', { steer: toward }),
        ],
      },
      {
        id: 'liner-front',
        label: 'Liner, front',
        mount: 'body',
        material: 'liner',
        readings: [
          reading('1:50', 'innerShoulder', '2 5/8', { steer: away }),
          reading('2:30', 'innerShoulder', '54', { steer: away }),
        ],
      },
      {
        id: 'liner-top',
        label: 'Liner, top',
        mount: 'body',
        material: 'liner',
        readings: [
          reading('11:30', 'innerShoulder', '5 1/2'),
          reading('12:30', 'innerShoulder', '141'),
          reading('12:00', 'tread', '92', { hubToLip: `${hubToLipMm - 55} mm` }),
        ],
      },
      {
        id: 'body-mount',
        label: 'Body mount',
        mount: 'frame',
        material: 'bodyMount',
        readings: [
          reading('8:15', 'innerShoulder', '2 3/8', { steer: toward }),
          reading('8:40', 'innerShoulder', left ? '59' : '62', { steer: toward }),
          reading('9:05', 'innerShoulder', '64', { steer: toward }),
        ],
      },
      {
        id: 'pinch-weld',
        label: 'Rocker pinch weld',
        mount: 'body',
        material: 'sheetMetal',
        readings: [
          reading('8:10', 'outerShoulder', '2 3/8', { steer: away }),
          reading('8:40', 'outerShoulder', '57', { steer: away }),
        ],
      },
      {
        id: 'frame-rail',
        label: 'Frame rail',
        mount: 'frame',
        material: 'frame',
        readings: [
          reading('9:30', 'innerSidewall', '2 3/4', { steer: toward }),
          reading('2:45', 'innerSidewall', '66', { steer: away }),
        ],
      },
      {
        id: 'sway-bar-link',
        label: 'Sway-bar link',
        mount: 'axle',
        material: 'swayBar',
        readings: [reading('2:20', 'innerSidewall', '1 9/16', { steer: away })],
      },
      {
        id: 'ball-joint-boss',
        label: 'Upper ball-joint boss',
        mount: 'knuckle',
        material: 'knuckle',
        readings: [reading('12:00', 'innerSidewall', '1 3/8')],
      },
      {
        id: 'brake-hose',
        label: 'Brake hose',
        mount: 'frame',
        material: 'hose',
        readings: [reading('10:40', 'innerSidewall', '58', { steer: toward })],
      },
    ],
  };
}

const patrolPickup: FileInput = {
  format: 'lowgap',
  version: 1,
  vehicle: {
    label: 'Tarnfell 1500 patrol pickup, no. 7',
    kind: 'pickup',
    wheelbaseMm: 3550,
    trackFrontMm: 1690,
    trackRearMm: 1690,
    notes: 'Independent front, leaf-sprung rear. Drives the upper cat road daily; chains from December.',
  },
  intake: {
    uses: ['daily', 'snow'],
    look: 'tucked',
    lookPokeMm: -6,
    allowed: ['unbolt', 'reroute', 'trimPlastic', 'bumpStop', 'lift'],
    budget: 'tires and 300 of shop time',
    wishes: 'Taller for the upper cat road; must take chains on the rear and never rub at lock.',
    localRules: 'Tread covered by the fender; spacers only with papers. Ask before poking out.',
    rust: 'Lip sound. Rear flap bolts seized.',
    damage: 'Bumper cap cracked at the right corner, taped.',
    typed: { lookPokeMm: '-6' },
  },
  conditions: {
    load: 'normal',
    fuelShare: 0.5,
    cargo: 'shovels, two drums of cable',
    levelGround: true,
    rolledAndBounced: true,
  },
  corners: {
    frontLeft: pickupFront('left', 524),
    frontRight: pickupFront('right', 519),
    rearLeft: {
      motion: { type: 'beamAxle', hubSpacingMm: 1630, stopSpacingMm: 960, shockSpacingMm: 1080, leaf: true },
      travel: { bumpMm: 95, droopMm: 110 },
      hubToLipMm: 548,
      groundToLipMm: 937,
      tirePressureKpa: 260,
      fitted: { tire: { size: '265/70R17' }, wheel: { diameterIn: 17, widthIn: 7.5, offsetMm: 30 } },
    },
  },
  setup: {
    tire: { size: '285/75R17' },
    wheel: { diameterIn: 17, widthIn: 8.5, offsetMm: 12 },
    suspensionLiftMm: 38.1,
    typed: { suspensionLiftMm: '1 1/2' },
  },
};

const serviceTruck: FileInput = {
  format: 'lowgap',
  version: 1,
  vehicle: {
    label: 'Brundholm 35 service truck',
    kind: 'pickup',
    wheelbaseMm: 3280,
    trackFrontMm: 1620,
    notes: 'Beam axles at both ends.',
  },
  corners: {
    frontLeft: {
      motion: {
        type: 'beamAxle',
        hubSpacingMm: 1600,
        stopSpacingMm: 900,
        shockSpacingMm: 1020,
        points: { linkPivot: [-900, -140, -40], panhardFrame: [70, -1330, 150], panhardAxle: [70, -330, 60] },
      },
      steering: { inclinationDeg: 8, casterDeg: 5, kingpinOffsetMm: 110, lockLeftDeg: 33, lockRightDeg: 28 },
      travel: { bumpMm: 88, droopMm: 105 },
      hubToLipMm: 578,
      fitted: {
        tire: { size: '7.50R16LT', measuredDiameterMm: 802 },
        wheel: { diameterIn: 16, widthIn: 6, backspacingMm: 101.6, backspacingSchool: 'lipToPad' },
      },
      obstacles: [
        {
          id: 'spring-pack',
          label: 'Leaf spring pack',
          mount: 'axle',
          material: 'spring',
          readings: [reading('8:45', 'innerSidewall', '2 1/2', { steer: 'left' })],
        },
        {
          id: 'fender-edge',
          label: 'Fender edge, rear',
          mount: 'body',
          material: 'sheetMetal',
          readings: [reading('9:00', 'outerShoulder', '71', { steer: 'right' })],
        },
      ],
    },
  },
  setup: { tire: { size: '255/85R16' }, wheel: { diameterIn: 16, widthIn: 7, offsetMm: 0 } },
};

const staffCoupe: FileInput = {
  format: 'lowgap',
  version: 1,
  vehicle: {
    label: 'Velmora S staff coupe',
    kind: 'coupe',
    wheelbaseMm: 2580,
    trackFrontMm: 1510,
    notes: 'Lowered 30 mm; fenders not rolled.',
  },
  corners: {
    frontLeft: {
      motion: {
        type: 'macphersonStrut',
        tape: { lowerArmMm: 352, lowerArmRiseMm: -12, lowerJointDownMm: 118, lowerJointInboardMm: 46, topUpMm: 512 },
      },
      steering: { lockLeftDeg: 38, lockRightDeg: 32 },
      staticCamberDeg: -1.2,
      travel: { bumpMm: 55, droopMm: 80 },
      hubToLipMm: 332,
      fitted: { tire: { size: '205/55R16 91V' }, wheel: { diameterIn: 16, widthIn: 6.5, offsetMm: 45 } },
      obstacles: [
        {
          id: 'fender-lip',
          label: 'Fender lip, unrolled',
          mount: 'body',
          material: 'sheetMetal',
          readingsAs: 'polyline',
          readings: [
            reading('10:15', 'tread', '58', { outboard: '9' }),
            reading('11:10', 'tread', '66', { outboard: '14' }),
            reading('12:00', 'tread', '2 11/16', { outboard: '15' }),
            reading('12:50', 'tread', '65', { outboard: '14' }),
            reading('1:45', 'tread', '57', { outboard: '10' }),
          ],
        },
        {
          id: 'strut-tube',
          label: 'Strut tube',
          mount: 'knuckle',
          material: 'spring',
          readings: [reading('12:00', 'innerSidewall', '15'), reading('11:40', 'innerShoulder', '5/8')],
        },
        {
          id: 'liner-front',
          label: 'Liner, front',
          mount: 'body',
          material: 'liner',
          readings: [reading('2:20', 'innerShoulder', '46', { steer: 'right' })],
        },
        {
          id: 'caliper',
          label: 'Brake caliper',
          mount: 'knuckle',
          material: 'brake',
          insideWheel: true,
          shape: {
            type: 'polyline',
            points: [
              [-113, -32, 122],
              [-80, -30, 145],
              [-42, -30, 160],
            ],
          },
        },
      ],
    },
  },
};

const trailCart: FileInput = {
  format: 'lowgap',
  version: 1,
  vehicle: {
    label: 'Pipit 4 trail-crew cart',
    kind: 'cart',
    wheelbaseMm: 1680,
    trackFrontMm: 900,
    notes: 'Leaf-sprung A-arms in front.',
  },
  corners: {
    frontRight: {
      motion: {
        type: 'doubleWishbone',
        tape: {
          lowerArmMm: 265,
          upperArmMm: 236,
          lowerArmRiseMm: 18,
          lowerJointDownMm: 62,
          upperJointUpMm: 74,
          lowerJointInboardMm: 42,
        },
      },
      steering: { lockLeftDeg: 26, lockRightDeg: 31 },
      travel: { bumpMm: 45, droopMm: 50 },
      hubToLipMm: 290,
      fitted: { tire: { size: '18x8.50-8' }, wheel: { diameterIn: 8, widthIn: 7, offsetMm: 0 } },
    },
  },
};

/** The lip, the corner and the rear edge traced on a picture, the rest taped. */
const fireWatchWagon: FileInput = {
  format: 'lowgap',
  version: 1,
  vehicle: {
    label: 'Harrow 4 fire-watch wagon',
    kind: 'wagon',
    notes: 'Pictured in the yard, taped under the shed roof.',
  },
  corners: { frontLeft: PICTURED_CORNER },
  setup: {
    tire: { size: '275/70R17' },
    wheel: { diameterIn: 17, widthIn: 8, offsetMm: 20 },
    suspensionLiftMm: 25,
  },
};

/** One to look round in: surveyed, with a setup that is too close somewhere. */
export const exampleJob = (): JobContent => {
  const example = demoJobs().find(({ title }) => title.startsWith('Patrol pickup'))!;
  return { ...example, title: `Example: ${example.title}` };
};

/** The bay board as it stands on an invented morning. */
export function demoJobs(): JobContent[] {
  const jobs: [title: string, file: FileInput][] = [
    [`${DEMO_PICTURE.job}: surveyed by a picture`, fireWatchWagon],
    ['Rescue wagon: 33s, cut once', rescueWagon],
    ['Lift-line pickup: leveled, fitted, looked after', liftLinePickup(patrolPickup)],
    ['Coupe: can it take 225s?', staffCoupe],
    ['Cart: taller tires for the ridge trail', trailCart],
    ['Service truck: narrow and tall', serviceTruck],
    ['Patrol pickup: bigger winter tires', patrolPickup],
  ];
  return jobs.map(([title, file]) => ({ title, customer: GARAGE, document: lowgapFileSchema.parse(file) }));
}
