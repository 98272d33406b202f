/** The demo job that is planned and cut: an invented rescue wagon with more in its way than one change cures. */
import type { CornerInput, FileInput } from './demo-input';

/** One front corner; right-hand things lie a few millimeters otherwise, as they do. */
function wagonFront(right: boolean): CornerInput {
  const off = right ? 2 : 0;
  return {
    motion: {
      type: 'doubleWishbone',
      tape: {
        lowerArmMm: 412,
        upperArmMm: 268,
        lowerArmRiseMm: -8,
        lowerJointDownMm: 132,
        upperJointUpMm: 176,
        lowerJointInboardMm: 62,
      },
    },
    steering: { lockLeftDeg: right ? 30 : 34, lockRightDeg: right ? 34 : 30 },
    staticCamberDeg: -0.2,
    staticToeDeg: 0.1,
    travel: { bumpMm: 78, droopMm: 92 },
    hubToLipMm: 536 - off,
    studProtrusionMm: 36,
    fitted: { tire: { size: '265/70R17' }, wheel: { diameterIn: 17, widthIn: 8, offsetMm: 25 } },
    obstacles: [
      {
        id: 'inner-fender',
        label: 'Inner fender, rear of the well',
        mount: 'body',
        material: 'sheetMetal',
        // Two columns of places down the panel.
        shape: {
          type: 'panel',
          points: [
            [-444 + off, -60, -150],
            [-452 + off, 70, -150],
            [-468 + off, -60, 10],
            [-476 + off, 70, 10],
            [-438 + off, -60, 170],
            [-446 + off, 70, 170],
          ],
          triangles: [
            [0, 1, 2],
            [1, 3, 2],
            [2, 3, 4],
            [3, 5, 4],
          ],
        },
      },
      {
        id: 'fender-lip',
        label: 'Fender lip',
        mount: 'body',
        material: 'sheetMetal',
        shape: {
          type: 'polyline',
          points: [
            [-410, 142, 268],
            [-262, 150, 430],
            [0, 154, 536 - off],
            [258, 150, 426],
            [404, 140, 262],
          ],
        },
      },
      {
        id: 'bumper-cap',
        label: 'Bumper cap corner',
        mount: 'body',
        material: 'plastic',
        part: 'swappable',
        shape: {
          type: 'polyline',
          points: [
            [446 - off, 40, 90],
            [458 - off, 96, -20],
            [452 - off, 120, -130],
          ],
        },
      },
      {
        id: 'crash-bracket',
        label: 'Lower crash bracket',
        mount: 'frame',
        material: 'sheetMetal',
        part: 'crashBracket',
        removable: true,
        shape: {
          type: 'polyline',
          points: [
            [470, -150, -60],
            [462, -60, -90],
          ],
        },
      },
      {
        id: 'mud-flap',
        label: 'Mud flap',
        mount: 'body',
        material: 'plastic',
        removable: true,
        behind: ['inner-fender'],
        shape: {
          type: 'polyline',
          points: [
            [-428 + off, -70, -190],
            [-432 + off, 90, -190],
          ],
        },
      },
      {
        id: 'liner',
        label: 'Liner, front',
        mount: 'body',
        material: 'liner',
        shape: {
          type: 'polyline',
          points: [
            [462 - off, -60, 140],
            [372, -60, 330],
          ],
        },
      },
      {
        id: 'body-mount',
        label: 'Body mount',
        mount: 'frame',
        material: 'bodyMount',
        shape: {
          type: 'points',
          points: [
            [-463 + off, -150, -120],
            [-470 + off, -110, -140],
          ],
        },
      },
      {
        id: 'upper-arm',
        label: 'Upper control arm',
        mount: 'upperArm',
        material: 'arm',
        shape: {
          type: 'polyline',
          points: [
            [-60, -250, 196],
            [0, -180, 190],
          ],
        },
      },
      {
        id: 'brake-hose',
        label: 'Brake hose',
        mount: 'frame',
        material: 'hose',
        shape: {
          type: 'polyline',
          points: [
            [-110, -290, 60],
            [-160, -300, 130],
          ],
        },
      },
    ],
  };
}

export const rescueWagon: FileInput = {
  format: 'lowgap',
  version: 1,
  vehicle: {
    label: 'Haskmoor Trekker rescue wagon',
    kind: 'wagon',
    wheelbaseMm: 2850,
    trackFrontMm: 1600,
    notes: 'Independent front. Carries two patrollers and the sled; wants 33s and may be cut.',
  },
  intake: {
    uses: ['work', 'snow'],
    allowed: ['unbolt', 'reroute', 'trimPlastic', 'foldLip', 'cutSheetMetal', 'bumpStop', 'steeringStop', 'bodyMount'],
    budget: 'up to 900 with tax',
    localRules: 'Spacers only with papers; tread covered by the fender.',
    wishes: '33s that never rub, cut once and sealed.',
  },
  corners: { frontLeft: wagonFront(false), frontRight: wagonFront(true) },
  setup: { tire: { size: '285/70R17' }, wheel: { diameterIn: 17, widthIn: 8.5, offsetMm: 10 } },
  standard: 'cutToFit',
  plan: {
    shop: {
      toolSet: 'power',
      labourMinorPerHour: 8600,
      taxMillionths: 200_000,
      taxOn: 'all',
      partsMinor: { bumpStop: 3400, steeringStop: 900, spacer: 5200, cutSheetMetal: 1800, trimPlastic: 350 },
    },
    allowed: {
      unbolt: 0,
      reroute: 30,
      tuckLiner: 15,
      trimPlastic: 60,
      foldLip: 20,
      cutSheetMetal: 60,
      bodyMountChop: 40,
    },
    tried: { front: { bumpStopMm: [15, 30], steeringStopDeg: [3, 6] }, rear: {} },
  },
};
